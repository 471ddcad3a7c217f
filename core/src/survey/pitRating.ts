import { finite } from '../check.ts';

/** Grades 1 to 5 of pitting: how many, how large, how deep. */
export interface PitRating {
  density: 1 | 2 | 3 | 4 | 5;
  size: 1 | 2 | 3 | 4 | 5;
  depth: 1 | 2 | 3 | 4 | 5;
  /** The three as they are written, for example "A-3, B-2, C-2". */
  text: string;
}

/* Standard rating charts after ASTM G46, from memory: pits for each m², mouth area in mm², depth in mm. */
const DENSITY = [2_500, 10_000, 50_000, 100_000, 500_000];
const SIZE = [0.5, 2, 8, 12.5, 24.5];
const DEPTH = [0.4, 0.8, 1.6, 3.2, 6.4];

/**
 * How is this pitting rated? The grade of the chart that is nearest on its (logarithmic) scale.
 *
 * @param pits pits counted, at least 1
 * @param area where they were counted, mm²
 * @param mouth mean area of a pit at the surface, mm²
 * @param depth deepest pit, mm
 * Source: ASTM G46 (memory).
 */
export function pitRating(input: { pits: number; area: number; mouth: number; depth: number }): PitRating {
  const pits = finite('pits', input.pits, { min: 1, max: 1e9 });
  const area = finite('area', input.area, { above: 0, unit: 'mm²' });
  const density = nearest(DENSITY, pits / (area * 1e-6));
  const size = nearest(SIZE, finite('mouth', input.mouth, { above: 0, unit: 'mm²' }));
  const depth = nearest(DEPTH, finite('depth', input.depth, { above: 0, unit: 'mm' }));
  return { density, size, depth, text: `A-${density}, B-${size}, C-${depth}` };
}

function nearest(chart: readonly number[], value: number): 1 | 2 | 3 | 4 | 5 {
  const away = chart.map((grade) => Math.abs(Math.log(value / grade)));
  return (away.indexOf(Math.min(...away)) + 1) as 1 | 2 | 3 | 4 | 5;
}
