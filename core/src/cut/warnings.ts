import { clipAll, inPolygon, inRing, toLine, toRing, type Point, type Ring } from '../geometry/index.ts';
import type { Ground } from './ground.ts';
import type { Passed } from './passes.ts';

/** mm. A cut this near to a mount runs through its reinforcement; common practice, no published source. */
const MOUNT_REACH = 40;
/** mm. Less than that of the margin is rounding. */
const MARGIN_SLACK = 1;

/** What to look out for along a line, each in a sentence. */
export function warningsOf(
  { panel, sheet, damage, margin }: Ground,
  {
    outline,
    joints,
    forbidden,
    passes,
  }: {
    outline: Ring;
    joints: readonly { points: readonly Point[]; closed: boolean }[];
    forbidden: number;
    passes: readonly Passed[];
  },
): string[] {
  const lines = joints.map(({ points, closed }) => (closed ? [...points, points[0]!] : points));
  const away = (p: Point) => Math.min(...lines.map((line) => toLine(p, line)));
  const left = clipAll('difference', damage, [[outline]]).area;
  const narrowest = Math.min(
    ...damage.flatMap(([ring]) => ring!.filter((p) => inPolygon(p, [outline])).map((p) => away(p))),
    ...lines.flat().map((p) => Math.min(...damage.map(([ring]) => toRing(p, ring!)))),
  );
  const enclosed = sheet.slice(1).filter((ring) => ring.every((p) => inPolygon(p, [outline])));
  const drains = (panel.holes ?? []).filter((hole) => {
    const inside = hole.filter((p) => inRing(p, outline)).length;
    return inside > 0 && inside < hole.length;
  });
  const mounts = (panel.mounts ?? []).filter(({ at }) => lines.length > 0 && away(at) < MOUNT_REACH);
  const several = (list: readonly unknown[], one: string, many: string) => (list.length === 1 ? one : many);
  const out: string[] = [];
  if (left > 1 && sheet.length > 1 && damage.length > 1)
    out.push('Part of the damage lies outside this line, as where an opening divides it. Plan a second line for it.');
  else if (left > 1)
    out.push(`${(left / 100).toFixed(1)} cm² of the damage lie outside this line: move it out, or plan a second one.`);
  else if (narrowest < margin - MARGIN_SLACK)
    out.push(
      `At its narrowest only ${Math.max(0, narrowest).toFixed(0)} mm of metal stay between the damage and this line; ${margin.toFixed(0)} mm are asked for.`,
    );
  if (enclosed.length > 0)
    out.push(
      `The patch takes in ${several(enclosed, 'an opening', `${enclosed.length} openings`)} of the panel: make ${several(enclosed, 'it', 'them')} again in the new piece.`,
    );
  if (drains.length > 0)
    out.push(
      `The line runs through ${several(drains, 'a hole or drain', `${drains.length} holes or drains`)} of the panel: pass ${several(drains, 'it', 'them')}, or make ${several(drains, 'it', 'them')} again in the new piece.`,
    );
  for (const { name } of mounts)
    out.push(
      `The line runs within ${MOUNT_REACH} mm of a mount (${name}): keep it whole on one side, and ask a qualified person.`,
    );
  for (const { name, length } of passes.filter(({ kind }) => kind === 'heat'))
    out.push(
      `${Math.round(length)} mm of this line run beside what heat and sparks spoil (${name}): take it out or away before you cut and weld, or cover it and keep the sheet cool.`,
    );
  if (forbidden > 0)
    out.push(
      `${Math.round(forbidden)} mm of this line run over metal that is too thin to weld to: move it out by hand, or choose a larger margin.`,
    );
  return out;
}
