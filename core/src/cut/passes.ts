import type { AreaKind, PanelArea } from '../body/index.ts';
import { between, lengthWithin, type Point } from '../geometry/index.ts';

/** Something that a line runs under or beside. */
export interface Passed {
  kind: AreaKind;
  name: string;
  /** How much of the line, mm. */
  length: number;
}

/** mm of these that nobody sees. */
export const unseenOf = (passes: readonly Passed[]): number =>
  passes.reduce((sum, { kind, length }) => sum + (kind === 'trim' ? length : 0), 0);

/** The trim under which most of a straight run lies; undefined where it is seen. */
export const trimOver = (from: Point, to: Point, areas: readonly PanelArea[]): string | undefined =>
  areas.find(({ kind, outline }) => kind === 'trim' && lengthWithin([from, to], [outline]) > 0.5 * between(from, to))
    ?.name;

/** mm. Less than that is where a corner touches it. */
const LEAST = 5;

/** Under and beside what do these lines run, the longest way first? mm. */
export function passedBy(
  lines: readonly { points: readonly Point[]; closed: boolean }[],
  areas: readonly PanelArea[],
): Passed[] {
  const named = new Map(areas.map(({ kind, name }) => [`${kind} ${name}`, { kind, name }]));
  return [...named.values()]
    .map(({ kind, name }): Passed => {
      const rings = areas.filter((area) => area.kind === kind && area.name === name).map(({ outline }) => outline);
      const length = lines.reduce(
        (sum, { points, closed }) => sum + lengthWithin(closed ? [...points, points[0]!] : points, rings),
        0,
      );
      return { kind, name, length };
    })
    .filter(({ length }) => length >= LEAST)
    .sort((a, b) => b.length - a.length);
}
