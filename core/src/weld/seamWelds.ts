import { finite, list } from '../check.ts';
import { between, lineLength, pointAt, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { Choice, WeldSeam } from './planTypes.ts';
import type { Position } from './settings.ts';
import { tacks as tackPlaces } from './tacks.ts';
import type { Torch } from './torch.ts';

/** Tacks after which gap and level are checked. */
const TACKS_A_ROUND = 8;
/** mm. A tack that is nearer to another one is the same. */
const TACK_WIDE = 3;
/** mm of stitch by which one side of the car may be ahead of the other. */
const AHEAD = 60;

/** A joint that is tacked and then stitched; a closed line ends where it begins. */
export interface Seam {
  line: readonly Point[];
  closed: boolean;
  side: 'left' | 'right' | null;
  position: Position;
}

/** A stretch from one tack to the next. */
export interface Span {
  seam: number;
  /** In welding order: the first runs back onto the tack at the beginning of the span. */
  stitches: { from: Point; to: Point; length: number }[];
}

/** What a person has said of single welds, by the names of their places. */
export interface Said {
  /** These come first of their round, in this order. */
  first: readonly string[];
  /** These are left out. */
  barred: ReadonlySet<string>;
}
export const nothingSaid: Said = { first: [], barred: new Set() };

/** A seam as it may come in. */
export function seamOf(field: string, seam: WeldSeam, usual: Position): Seam {
  const points = list<Point>(field, seam?.points, 2, 10_000).map((p, i): Point => [
    finite(`${field}[${i}][0]`, p?.[0], { unit: 'mm' }),
    finite(`${field}[${i}][1]`, p?.[1], { unit: 'mm' }),
  ]);
  const line = seam.closed ? [...points, points[0]!] : points;
  if (lineLength(line) < 5) refuse('no-length', field, `${field} is shorter than 5 mm; nothing to weld.`);
  if (seam.side !== undefined && seam.side !== 'left' && seam.side !== 'right')
    refuse('unknown-side', field.replace('.points', '.side'), 'side must be "left" or "right".');
  return { line, closed: Boolean(seam.closed), side: seam.side ?? null, position: seam.position ?? usual };
}

/** The stretches between neighbouring tacks, each divided into short stitches welded backwards. */
export function spansOf(seam: Seam, index: number, pitch: number, stitch: number): Span[] {
  const length = lineLength(seam.line);
  const places = tackPlaces({ seam: length, pitch, closed: seam.closed })
    .tacks.map((tack) => tack.at)
    .sort((a, b) => a - b);
  const ends = seam.closed ? [...places, length] : places;
  return ends.slice(1).map((to, i) => {
    const from = ends[i]!;
    const count = Math.max(1, Math.round((to - from) / stitch));
    const each = (to - from) / count;
    return {
      seam: index,
      stitches: Array.from({ length: count }, (_, k) => ({
        from: pointAt(seam.line, from + (k + 1) * each),
        to: pointAt(seam.line, from + k * each),
        length: each,
      })),
    };
  });
}

/** Tacks a seam: its ends, its middle, then halves, with a look at gap and level between the rounds; `tacked` are the tacks of other seams, and takes its own. */
export function tackSeam(
  torch: Torch,
  { seam, index, pitch }: { seam: Seam; index: number; pitch: number },
  said: Said = nothingSaid,
  tacked: Point[] = [],
): void {
  const { tacks } = tackPlaces({ seam: lineLength(seam.line), pitch, closed: seam.closed });
  // Where two seams meet one tack holds both.
  const places = tacks
    .map(({ order, at }) => ({ at: pointAt(seam.line, at), text: tackText(order, tacks.length, seam.closed) }))
    .filter(({ at }) => tacked.every((other) => between(other, at) > TACK_WIDE));
  tacked.push(...places.map(({ at }) => at));
  const asked = inOrderOf(places, ({ at }) => weldId('tack', at, at), said);
  asked.forEach(({ at, text }, i) => {
    torch.tack(at, index, text);
    if ((i + 1) % TACKS_A_ROUND === 0 && i + 1 < asked.length)
      torch.check('Tap the tacks level and check the gap before going on.');
  });
}

function tackText(order: number, count: number, closed: boolean): string {
  if (closed) return order <= 4 ? 'Tack at a datum corner' : 'Tack halfway between two tacks';
  if (order === 1) return 'Tack one end';
  if (order === 2) return 'Tack the other end';
  return order === 3 && count > 2 ? 'Tack the middle' : 'Tack halfway between two tacks';
}

/** Stitches all spans: each next one by heat or by a fixed order, both sides of the car kept even. */
export function stitchAll(
  torch: Torch,
  spans: readonly Span[],
  { seams, choice, said = nothingSaid }: { seams: readonly Seam[]; choice: Choice; said?: Said },
): void {
  const idOf = ({ from, to }: Span['stitches'][number]) => weldId('stitch', from, to);
  const queues = spans.map((span) => ({
    seam: span.seam,
    side: seams[span.seam]!.side,
    left: span.stitches.filter((stitch) => !said.barred.has(idOf(stitch))),
  }));
  const wanted = said.first.filter((id) => queues.some(({ left }) => left.some((stitch) => idOf(stitch) === id)));
  const fixed = fixedOrder(
    queues.map((queue) => queue.left.length),
    choice,
  );
  const welded = { left: 0, right: 0 };
  for (;;) {
    const open = queues.filter((queue) => queue.left.length > 0);
    if (open.length === 0) return;
    while (wanted.length > 0 && !open.some(({ left }) => left.some((stitch) => idOf(stitch) === wanted[0])))
      wanted.shift();
    const ahead = Math.abs(welded.left - welded.right) > AHEAD ? (welded.left > welded.right ? 'left' : 'right') : null;
    const behind = open.filter((queue) => queue.side !== ahead);
    const asked = open.find(({ left }) => left.some((stitch) => idOf(stitch) === wanted[0]));
    const next =
      asked ??
      (fixed ? nextOf(fixed, queues) : torch.coolest(ahead && behind.length > 0 ? behind : open, open, choice));
    const stitch = next.left.shift()!;
    torch.stitch(stitch, next.seam);
    if (next.side) welded[next.side] += stitch.length;
  }
}

/** The next of a fixed order in which something is left: what a person has put first is welded already. */
function nextOf<T extends { left: readonly unknown[] }>(order: number[], queues: readonly T[]): T {
  for (;;) {
    const queue = queues[order.shift()!]!;
    if (queue.left.length > 0) return queue;
  }
}

/** Span numbers in order for strategies that do not look at heat. */
function fixedOrder(counts: readonly number[], strategy: Choice): number[] | undefined {
  const all = counts.map((_, i) => i);
  const repeat = (order: readonly number[]) => order.flatMap((i) => new Array<number>(counts[i]!).fill(i));
  if (strategy === 'coolest' || strategy === 'farthest' || strategy === 'warmest') return undefined;
  if (strategy === 'continuous') return repeat(all);
  if (strategy === 'backstep') return repeat([...all].reverse());
  return [...repeat(all.filter((i) => i % 2 === 0)), ...repeat(all.filter((i) => i % 2 === 1))];
}

/** Without those that are left out; those that were asked for first, in the order in which they were asked for. */
export function inOrderOf<T>(welds: readonly T[], idOf: (weld: T) => string, { first, barred }: Said): T[] {
  const open = welds.filter((weld) => !barred.has(idOf(weld)));
  const rank = (weld: T) => {
    const at = first.indexOf(idOf(weld));
    return at < 0 ? first.length : at;
  };
  return open
    .map((weld, i) => ({ weld, i }))
    .sort((a, b) => rank(a.weld) - rank(b.weld) || a.i - b.i)
    .map(({ weld }) => weld);
}

/** Name of a weld by its kind and place, mm: it keeps it when the order changes. */
export const weldId = (kind: string, from: Point, to: Point): string =>
  [kind, ...[from, to].map((place) => place.map((mm) => Math.round(mm)).join(':'))].join(' ');
