import type { FigureView, TapeView } from '@aspecta/contract/hold';
import type { DatumPoint } from '@aspecta/core/body';
import { tapesOf } from '@aspecta/core/hold';
import type { TapeRow } from './entities.ts';

/** Tapes in whose way something is on this car, whenever that was said. */
export function barredOf(tapes: readonly TapeRow[], points: readonly string[]): FigureView['barred'] {
  return tapes
    .filter(
      ({ kind, gone, fromPoint, toPoint }) =>
        kind === 'barred' && !gone && points.includes(fromPoint) && points.includes(toPoint),
    )
    .map(({ id, roundId, fromPoint, toPoint }) => ({ id, round: roundId, ends: [fromPoint, toPoint] }));
}

/** Tapes of figures by their points: they are the same for every car of a body in which nothing is in the way. */
const designed = new Map<string, [string, string][]>();
export function tapesFor(points: readonly DatumPoint[], barred: FigureView['barred']): [string, string][] {
  const pairs = barred.map(({ ends }) => ends);
  const key = JSON.stringify([points.map(({ id, at }) => [id, at]), pairs]);
  const known = designed.get(key);
  if (known) return known;
  if (designed.size > MOST_DESIGNS) designed.clear();
  const tapes = tapesOf(points, pairs);
  designed.set(key, tapes);
  return tapes;
}
const MOST_DESIGNS = 500;

/** A tape between these two points, whichever way it was stretched. */
export const isTape = (a: string, b: string) => (tape: { kind: string; from: string; to: string }) =>
  tape.kind === 'tape' && ((tape.from === a && tape.to === b) || (tape.from === b && tape.to === a));

/** The last reading of each tape of a measurement, with what was read there before. */
export function tapeViews(rows: readonly TapeRow[], roundId: string): TapeView[] {
  const own = rows.filter((row) => row.roundId === roundId && !row.gone && row.kind !== 'barred');
  const same = new Map<string, TapeRow[]>();
  for (const row of own) {
    const ends = [row.fromPoint, row.toPoint];
    const place = [row.kind, ...(row.kind === 'tape' ? ends.sort() : ends)].join('|');
    same.set(place, [...(same.get(place) ?? []), row]);
  }
  return [...same.values()].map((all) => {
    const last = all.at(-1)!;
    return {
      id: last.id,
      kind: last.kind,
      from: last.fromPoint,
      to: last.toPoint,
      length: last.length,
      by: last.by,
      at: last.at.toISOString(),
      before: all.slice(0, -1).map(({ length }) => length),
    };
  });
}
