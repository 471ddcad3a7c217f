/** Minutes for one unit of work: least, usual, most. */
export type Minutes = readonly [number, number, number];

/*
 * Minutes for one counted piece of work. Common practice, no published source; the rules
 * are those of the trade: T-19 coats, T-22 drilling out, T-27 patches,
 * T-30 trial fits, T-36 hems, T-37 bolts. Least, usual, most. One table for verdict, line, weld plan and job.
 */
export const PACES = {
  stripDm2: [1.5, 2.5, 5],
  treatDm2: [2, 3, 5],
  convertDm2: [1.2, 2, 3.5],
  blastDm2: [1.5, 3, 6],
  blastSetUp: [20, 35, 75],
  coatDm2: [0.6, 1, 2],
  cutDm: [1.2, 2, 4],
  template: [8, 12, 25],
  shapeFlat: [8, 12, 20],
  shapeSingle: [12, 20, 40],
  shapeDouble: [20, 30, 75],
  trialFit: [4, 6, 12],
  buttDm: [6, 9, 15],
  lapDm: [4, 6, 11],
  joggleDm: [0.8, 1.2, 2.5],
  sealDm: [0.8, 1.2, 2.5],
  dressDm: [3, 5, 10],
  metalFinishDm: [8, 15, 32],
  drillSpot: [1.2, 1.75, 3],
  spotWeld: [0.4, 0.6, 1.2],
  plug: [1, 1.5, 3],
  unbolt: [20, 30, 60],
  adjust: [20, 30, 60],
  flangeDm: [1.5, 3, 6],
  planishDm2: [5, 10, 22],
  fillDm2: [4, 7, 14],
  findDm: [0.4, 0.8, 2],
  meltDm: [3, 5, 9],
  brazeDm: [4, 6, 10],
  hemOpenDm: [1.5, 2.5, 5],
  hemFoldDm: [3, 5, 9],
  smallWeld: [1, 1.5, 3],
  bolt: [1.5, 3, 8],
  rivetOut: [0.6, 1, 2],
  rivetIn: [0.8, 1.2, 2.5],
  lipDm: [3, 5, 11],
} as const satisfies Record<string, Minutes>;

/** A weld that nobody sees is dressed roughly: this share of what a seen one takes. */
export const ROUGHLY = 0.4;
