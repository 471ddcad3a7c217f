import {
  between,
  lineBetween,
  lineLength,
  nearestOnLine,
  simplifyLine,
  toLine,
  type Point,
} from '../geometry/index.ts';
import type { PieceJoint } from './ofPanel.ts';

/** mm. A rounded corner strays so far from the sharp one: what bends less is one run. */
const ROUNDED = 8;
/** mm. Shorter bits at a corner are no run of their own. */
const SHORTEST = 30;

/**
 * The straight runs of a cut in the sheet, from corner to corner, in its order.
 *
 * @returns lines in mm that cover the cut once
 * @example straightRuns([[0, 0], [300, 0], [300, 200]]).map((line) => line.length) // → [2, 2]
 */
export function straightRuns(line: readonly Point[]): Point[][] {
  const corners = simplifyLine(line, ROUNDED).slice(1, -1);
  const stops = corners.map((corner) => nearestOnLine(line, corner).run);
  const ends = [0, ...stops, lineLength(line)].filter((at, i, all) => i === 0 || at - all[i - 1]! > SHORTEST);
  // The last bit belongs to the run before it where it is too short.
  if (ends.at(-1)! < lineLength(line)) ends[ends.length - 1] = lineLength(line);
  return ends.slice(1).map((to, i) => lineBetween(line, ends[i]!, to));
}

/** A part of a joint, and what was said of it alone. */
export interface Part<C> {
  joint: PieceJoint;
  alone?: C;
}

/**
 * Parts a cut where something was said of one of its runs alone: such a run is a joint of its own, and what lies
 * between two of them stays together.
 *
 * @param alone choices for single runs, by a place on each
 * @param reach mm within which a choice counts for the run that passes it
 */
export function partedByRuns<C extends { at: readonly [number, number] }>(
  joint: PieceJoint,
  alone: readonly C[],
  reach: number,
): Part<C>[] {
  const here = alone.filter(({ at }) => toLine([at[0], at[1]], joint.line) <= reach);
  if (joint.kind !== 'cut' || here.length === 0) return [{ joint }];
  const runs = straightRuns(joint.line);
  const said = new Map(
    here.map((choice): [number, C] => {
      const far = runs.map((run) => toLine([choice.at[0], choice.at[1]], run));
      return [far.indexOf(Math.min(...far)), choice];
    }),
  );
  const parts: { line: Point[]; alone?: C }[] = [];
  runs.forEach((run, i) => {
    const own = said.get(i);
    const last = parts.at(-1);
    if (own) parts.push({ line: run, alone: own });
    else if (last && !last.alone) last.line.push(...run.slice(1));
    else parts.push({ line: [...run] });
  });
  const [first, last] = [parts[0]!, parts.at(-1)!];
  // All round: the last part goes on over the first corner.
  if (parts.length > 1 && !first.alone && !last.alone && between(last.line.at(-1)!, first.line[0]!) < 1) {
    first.line = [...last.line, ...first.line.slice(1)];
    parts.pop();
  }
  return parts.map(({ line, alone: own }) => ({
    joint: { ...joint, line, length: lineLength(line) },
    ...(own ? { alone: own } : {}),
  }));
}
