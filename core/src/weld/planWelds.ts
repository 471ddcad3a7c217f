import { finite, list } from '../check.ts';
import { lineLength, pointAt, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { Choice, WeldInput, WeldPlan, WeldSeam } from './planTypes.ts';
import { settings, type Position } from './settings.ts';
import { tacks as tackPlaces, TACK_PITCH } from './tacks.ts';
import { Torch } from './torch.ts';

/** Tacks after which gap and level are checked. */
const TACKS_A_ROUND = 8;
/** mm of stitch by which one side of the car may be ahead of the other. */
const AHEAD = 60;
const MOST_STITCHES = 400;

/**
 * In which order is a joint welded, and how long must one wait? The way of the work:
 * settings → tacks → stitches → heat → order → times. A stitch starts only where the sheet
 * is hand-warm and runs back to the previous tack.
 *
 * @returns steps with start times (s), temperatures (°C) and waits
 * @throws Problem naming the field
 * Source: T-06 to T-09 (common practice); heat by the thin-plate line source (see lineSource).
 */
export function planWelds(input: WeldInput): WeldPlan {
  const { handWarm = 50, ambient = 20, strategy = 'coolest', stitch = 13 } = input;
  finite('handWarm', handWarm, { min: ambient + 5, max: 300, unit: '°C' });
  finite('ambient', ambient, { min: -20, max: 60, unit: '°C' });
  finite('stitch', stitch, { min: 5, max: 200, unit: 'mm' });
  if (!['coolest', 'skip', 'backstep', 'continuous'].includes(strategy))
    refuse('unknown-strategy', 'strategy', 'strategy must be coolest, skip, backstep or continuous.');
  const seams = list<WeldSeam>('seams', input.seams, 1, 50).map((seam, i) =>
    closedLine(`seams[${i}].points`, seam, input.position ?? 'flat'),
  );
  const set = settings(input);
  const pitch = finite('pitch', input.pitch ?? TACK_PITCH[input.process], { min: 5, max: 200, unit: 'mm' });
  const spans = seams.map((seam, s) => spansOf(seam, s, pitch, stitch));
  const stitches = spans.flat().reduce((sum, span) => sum + span.stitches.length, 0);
  if (stitches > MOST_STITCHES)
    refuse('too-many', 'seams', `This makes ${stitches} stitches; plan at most ${MOST_STITCHES} at once.`);

  const lay = (choice: Choice) => {
    const torch = new Torch(input, ambient, handWarm);
    const positions = [...new Set(seams.map((seam) => seam.position))];
    positions.forEach((position, k) => {
      torch.set(settings({ ...input, position }));
      if (k > 0) torch.turn(`Turn the car or move over: the next seams are welded ${position}.`);
      const here = seams.map((seam, s) => ({ seam, s })).filter(({ seam }) => seam.position === position);
      for (const { seam, s } of here) tackSeam(torch, seam, s, pitch);
      torch.check(
        `Tap the tacks level, check gap (up to ${input.thickness} mm) and height, try the neighbouring panel.`,
      );
      stitchAll(
        torch,
        here.flatMap(({ s }) => spans[s]!),
        seams,
        choice,
      );
    });
    torch.check(
      'Let everything cool to the touch, then dress a little at a time: grinding heat warps like welding heat.',
    );
    return torch.plan(
      set,
      seams.reduce((sum, seam) => sum + lineLength(seam.line), 0),
    );
  };
  if (strategy !== 'coolest') return lay(strategy);
  // Several ways to choose among what is cool; the quickest is taken, and it is never slower than skipping.
  return (['coolest', 'farthest', 'warmest', 'skip'] as const)
    .map(lay)
    .reduce((a, b) => (b.totalTime < a.totalTime - 1e-9 ? b : a));
}

interface Seam {
  line: readonly Point[];
  closed: boolean;
  side: 'left' | 'right' | null;
  position: Position;
}

function closedLine(field: string, seam: WeldSeam, usual: Position): Seam {
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

interface Span {
  seam: number;
  /** In welding order: the first runs back onto the tack at the beginning of the span. */
  stitches: { from: Point; to: Point; length: number }[];
}

/** The stretches between neighbouring tacks, each divided into short stitches welded backwards. */
function spansOf(seam: Seam, index: number, pitch: number, stitch: number): Span[] {
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

function tackSeam(torch: Torch, seam: Seam, index: number, pitch: number): void {
  const { tacks } = tackPlaces({ seam: lineLength(seam.line), pitch, closed: seam.closed });
  for (const { order, at } of tacks) {
    torch.tack(pointAt(seam.line, at), index, tackText(order, tacks.length, seam.closed));
    if (order % TACKS_A_ROUND === 0 && order < tacks.length)
      torch.check('Tap the tacks level and check the gap before going on.');
  }
}

function tackText(order: number, count: number, closed: boolean): string {
  if (closed) return order <= 4 ? 'Tack at a datum corner' : 'Tack halfway between two tacks';
  if (order === 1) return 'Tack one end';
  if (order === 2) return 'Tack the other end';
  return order === 3 && count > 2 ? 'Tack the middle' : 'Tack halfway between two tacks';
}

function stitchAll(torch: Torch, spans: readonly Span[], seams: readonly Seam[], choice: Choice): void {
  const queues = spans.map((span) => ({ seam: span.seam, side: seams[span.seam]!.side, left: [...span.stitches] }));
  const fixed = fixedOrder(
    queues.map((queue) => queue.left.length),
    choice,
  );
  const welded = { left: 0, right: 0 };
  for (;;) {
    const open = queues.filter((queue) => queue.left.length > 0);
    if (open.length === 0) return;
    const ahead = Math.abs(welded.left - welded.right) > AHEAD ? (welded.left > welded.right ? 'left' : 'right') : null;
    const behind = open.filter((queue) => queue.side !== ahead);
    const next = fixed
      ? queues[fixed.shift()!]!
      : torch.coolest(ahead && behind.length > 0 ? behind : open, open, choice);
    const stitch = next.left.shift()!;
    torch.stitch(stitch, next.seam);
    if (next.side) welded[next.side] += stitch.length;
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
