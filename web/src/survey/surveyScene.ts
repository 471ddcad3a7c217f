import type { ReadingView } from '@aspecta/contract/survey';
import type { Point } from '@aspecta/core/geometry';
import { coatingClass, metalClass, metalOf, surveyRules } from '@aspecta/core/survey';
import { dotsPath } from '../sheet/pathData.ts';

/** What a reading says at a glance. */
export type DotLook = 'sound' | 'worn' | 'thin' | 'failing' | 'through' | 'filler' | 'coated';

export function dotLook(reading: ReadingView, asBuilt: number, rules = surveyRules): DotLook {
  const metal = metalOf({ metalMm: reading.metalMm ?? undefined, probe: reading.probe ?? undefined });
  if (metal !== undefined) return metalClass(metal, asBuilt, rules);
  if (reading.probe === 'soft') return 'thin';
  if (reading.coatingUm !== null) return coatingClass(reading.coatingUm, rules) === 'filler' ? 'filler' : 'coated';
  return 'sound';
}

/** Readings as few paths, one for each look: five hundred dots stay fluid. */
export function dotPaths(
  readings: readonly ReadingView[],
  asBuilt: number,
  rules = surveyRules,
): { look: DotLook; path: string }[] {
  const groups = new Map<DotLook, Point[]>();
  for (const reading of readings) {
    const look = dotLook(reading, asBuilt, rules);
    const group = groups.get(look);
    if (group) group.push([reading.u, reading.v]);
    else groups.set(look, [[reading.u, reading.v]]);
  }
  return [...groups].map(([look, places]) => ({ look, path: dotsPath(places) }));
}

/** The reading under a tap, within `reach` mm. */
export function readingAt(readings: readonly ReadingView[], place: Point, reach: number): ReadingView | undefined {
  return readings
    .map((reading) => ({ reading, away: Math.hypot(reading.u - place[0], reading.v - place[1]) }))
    .filter(({ away }) => away <= reach)
    .sort((a, b) => a.away - b.away)[0]?.reading;
}
