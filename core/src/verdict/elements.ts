import type { Repair } from './repair.ts';

/** treat and keep; patch; part of a repair panel; whole panel; make the panel; new sheet over treated metal, where the house allows it. */
export type OptionId = 'treat' | 'patch' | 'part' | 'whole' | 'make' | 'overlay';

/** A line is cut and welded in the panel itself. */
export const isCutIn = (choice: OptionId): boolean => choice === 'patch' || choice === 'part';
/** A panel has to be bought. */
export const isBought = (choice: OptionId): boolean => choice === 'part' || choice === 'whole';

/** One kind of work in an option: how much of it, and how long a piece of it takes. */
export interface Element {
  name: string;
  count: number;
  unit: string;
  /** Minutes for one unit: least, usual, most. */
  minutes: readonly [number, number, number];
  /** Rule of thumb behind the minutes. */
  rule: string;
}

/** Work that goes as well or as badly in every option in which it occurs: one stream of chance for each. */
export const kindOfWork = ({ name, minutes }: Element): string =>
  Object.entries(MINUTES).find(([, known]) => known === minutes)?.[0] ?? name;

/** Both faces of every new piece, whatever it replaces. */
export const COATED_FACES = 2;
/** Around the damage so much is stripped and treated as well; never more than the panel has. */
const AROUND = 1.5;
const stripped = (area: number, { panel, layers = 1 }: Repair) => Math.min(area * AROUND, panel.area * layers);

/*
 * Minutes for one counted piece of work. Common practice, no published source; the rules
 * are those of the trade: T-19 coats, T-22 drilling out, T-27 patches, T-30 trial fits.
 */
const MINUTES = {
  stripDm2: [1.5, 2.5, 5],
  treatDm2: [2, 3, 5],
  coatDm2: [0.6, 1, 2],
  cutDm: [1.2, 2, 4],
  template: [8, 12, 25],
  shapeFlat: [8, 12, 20],
  shapeSingle: [12, 20, 40],
  shapeDouble: [20, 30, 75],
  trialFit: [4, 6, 12],
  buttDm: [6, 9, 15],
  dressDm: [3, 5, 10],
  drillSpot: [1.2, 1.75, 3],
  plug: [1, 1.5, 3],
  unbolt: [20, 30, 60],
  adjust: [20, 30, 60],
  flangeDm: [1.5, 3, 6],
  fillDm2: [4, 7, 14],
} as const satisfies Record<string, readonly [number, number, number]>;

/** Trial fits of a patch and of a large panel (T-30). */
const PATCH_FITS = 4;
const PANEL_FITS = 5;
const dm = (mm: number) => mm / 100;
const dm2 = (mm2: number) => mm2 / 10_000;

/** Which pieces of work does an option count up to? Every count follows from lengths, areas and welds of this repair. */
export function elementsOf(option: OptionId, repair: Repair): Element[] {
  switch (option) {
    case 'treat':
      return treatElements(repair);
    case 'patch':
      return patchElements(repair);
    case 'part':
      return partElements(repair);
    case 'whole':
      return wholeElements(repair);
    case 'make':
      return makeElements(repair);
    case 'overlay':
      return overlayElements(repair);
  }
}

/** Damaged area, mm²: that of the zones, and never more than the layers have on which they lie. */
export const damagedArea = ({ zones, panel, layers = 1 }: Repair) =>
  Math.min(
    zones.reduce((sum, zone) => sum + zone.area, 0),
    panel.area * layers,
  );

function treatElements(repair: Repair): Element[] {
  const area = dm2(stripped(damagedArea(repair), repair));
  return [
    { name: 'Strip to clean metal', count: area, unit: 'dm²', minutes: MINUTES.stripDm2, rule: 'T-21' },
    {
      name:
        repair.panel.material === 'aluminium'
          ? 'Take off white corrosion, etch and prime'
          : 'Convert, neutralise and prime',
      count: area,
      unit: 'dm²',
      minutes: MINUTES.treatDm2,
      rule: 'T-19',
    },
    ...(repair.panel.visible
      ? [
          {
            name: 'Fill pits and block',
            count: dm2(damagedArea(repair)),
            unit: 'dm²',
            minutes: MINUTES.fillDm2,
            rule: 'T-17',
          } as const,
        ]
      : []),
  ];
}

function patchElements(repair: Repair): Element[] {
  const { panel, zones } = repair;
  const weld = zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  const area = zones.reduce((sum, zone) => sum + zone.patchArea, 0);
  const shape = { flat: MINUTES.shapeFlat, single: MINUTES.shapeSingle, double: MINUTES.shapeDouble }[panel.curvature];
  return [
    {
      name: 'Strip around the damage',
      count: dm2(stripped(area, repair)),
      unit: 'dm²',
      minutes: MINUTES.stripDm2,
      rule: 'T-21',
    },
    { name: 'Mark and cut out', count: dm(weld), unit: 'dm', minutes: MINUTES.cutDm, rule: 'T-12' },
    { name: 'Template', count: zones.length, unit: 'patches', minutes: MINUTES.template, rule: 'T-03' },
    {
      name: `Shape the patch (${panel.curvature} curvature)`,
      count: zones.reduce((sum, zone) => sum + Math.max(1, dm2(zone.patchArea) / 6), 0),
      unit: 'pieces of 6 dm²',
      minutes: shape,
      rule: 'T-27',
    },
    { name: 'Trial fits', count: zones.length * PATCH_FITS, unit: 'fits', minutes: MINUTES.trialFit, rule: 'T-30' },
    { name: 'Tack and stitch', count: dm(weld), unit: 'dm', minutes: MINUTES.buttDm, rule: 'T-08, T-09' },
    {
      name: panel.visible ? 'Dress and planish' : 'Dress roughly',
      count: dm(weld) * (panel.visible ? 1 : 0.4),
      unit: 'dm',
      minutes: MINUTES.dressDm,
      rule: 'T-34',
    },
    {
      name: 'Coat inside and out',
      count: dm2(area) * COATED_FACES,
      unit: 'dm²',
      minutes: MINUTES.coatDm2,
      rule: 'T-19',
    },
  ];
}

/** Cut from a bought panel: nothing to shape, but to trim and to blend into the old one (T-28, T-32). */
function partElements(repair: Repair): Element[] {
  const weld = dm(repair.zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0));
  const made = patchElements(repair).filter(({ name }) => name !== 'Template' && !name.startsWith('Shape'));
  return [
    ...made,
    { name: 'Cut the part from the repair panel', count: weld, unit: 'dm', minutes: MINUTES.cutDm, rule: 'T-28' },
    { name: 'Blend its edges and flanges', count: weld, unit: 'dm', minutes: MINUTES.flangeDm, rule: 'T-32' },
  ];
}

/** dm² of one piece of a panel that is made by hand, and mm of seam that each further piece adds. */
const MADE_PIECE = 12;
const MADE_SEAM = 300;

function makeElements(repair: Repair): Element[] {
  const { panel } = repair;
  const pieces = Math.max(1, Math.ceil(dm2(panel.area) / MADE_PIECE));
  const shape = { flat: MINUTES.shapeFlat, single: MINUTES.shapeSingle, double: MINUTES.shapeDouble }[panel.curvature];
  const seams = dm((pieces - 1) * MADE_SEAM);
  return [
    { name: 'Templates and forms', count: pieces * 2, unit: 'pieces', minutes: MINUTES.template, rule: 'T-03' },
    {
      name: `Shape the pieces (${panel.curvature} curvature)`,
      count: dm2(panel.area) / 3,
      unit: 'pieces of 3 dm²',
      minutes: shape,
      rule: 'T-27',
    },
    { name: 'Turn flanges', count: dm(panel.jointLength), unit: 'dm', minutes: MINUTES.flangeDm, rule: 'T-24' },
    { name: 'Join the pieces', count: seams, unit: 'dm', minutes: MINUTES.buttDm, rule: 'T-08, T-09' },
    {
      name: 'Planish the seams',
      count: seams * (panel.visible ? 2 : 1),
      unit: 'dm',
      minutes: MINUTES.dressDm,
      rule: 'T-34',
    },
    ...wholeElements(repair),
  ];
}

/** mm. Plugs along the edge of a sheet that is laid over (T-10). */
const OVERLAY_PITCH = 38;

function overlayElements(repair: Repair): Element[] {
  const area = repair.zones.reduce((sum, zone) => sum + zone.patchArea, 0);
  const edge = repair.zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  return [
    ...treatElements(repair).filter(({ name }) => !name.startsWith('Fill')),
    { name: 'Template', count: repair.zones.length, unit: 'sheets', minutes: MINUTES.template, rule: 'T-03' },
    {
      name: 'Shape the sheet',
      count: Math.max(repair.zones.length, dm2(area) / 6),
      unit: 'pieces of 6 dm²',
      minutes: MINUTES.shapeFlat,
      rule: 'T-27',
    },
    { name: 'Trial fits', count: repair.zones.length * 2, unit: 'fits', minutes: MINUTES.trialFit, rule: 'T-30' },
    { name: 'Plug weld the edge', count: edge / OVERLAY_PITCH, unit: 'welds', minutes: MINUTES.plug, rule: 'T-10' },
    { name: 'Seal and coat', count: dm2(area) * COATED_FACES, unit: 'dm²', minutes: MINUTES.coatDm2, rule: 'T-19' },
  ];
}

function wholeElements({ panel }: Repair): Element[] {
  const common: Element[] = [
    { name: 'Fit, adjust, fit again', count: PANEL_FITS, unit: 'fits', minutes: MINUTES.adjust, rule: 'T-30' },
    {
      name: 'Coat inside and out',
      count: dm2(panel.area) * COATED_FACES,
      unit: 'dm²',
      minutes: MINUTES.coatDm2,
      rule: 'T-19',
    },
  ];
  if (panel.bolted)
    return [{ name: 'Unbolt and bolt up', count: 2, unit: 'times', minutes: MINUTES.unbolt, rule: 'T-27' }, ...common];
  return [
    { name: 'Drill out spot welds', count: panel.spotWelds, unit: 'spots', minutes: MINUTES.drillSpot, rule: 'T-22' },
    {
      name: 'Clean and straighten flanges',
      count: dm(panel.jointLength),
      unit: 'dm',
      minutes: MINUTES.flangeDm,
      rule: 'T-32',
    },
    ...common,
    { name: 'Plug or spot weld', count: panel.spotWelds, unit: 'welds', minutes: MINUTES.plug, rule: 'T-10' },
    {
      name: 'Dress welds',
      count: dm(panel.jointLength) * (panel.visible ? 1 : 0.4),
      unit: 'dm',
      minutes: MINUTES.dressDm,
      rule: 'T-34',
    },
  ];
}
