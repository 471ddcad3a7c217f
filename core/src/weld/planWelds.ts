import { finite, list } from '../check.ts';
import { between, lineLength, pointAt, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { plateSource } from './lineSource.ts';
import { STILL_AIR_FILM, mildSteel } from './material.ts';
import { EFFICIENCY, settings, type Position, type Process, type WeldSettings } from './settings.ts';
import { tacks as tackPlaces, TACK_PITCH } from './tacks.ts';

export type Strategy = 'coolest' | 'skip' | 'backstep' | 'continuous';

export interface WeldInput {
  /** Joints on the sheet, mm; a closed one without its closing point. */
  seams: readonly { points: readonly Point[]; closed: boolean }[];
  process: Process;
  /** mm of one sheet. */
  thickness: number;
  position?: Position;
  /** °C at which a place may be welded again: it can be touched (T-09). */
  handWarm?: number;
  /** °C of the workshop. */
  ambient?: number;
  strategy?: Strategy;
  /** mm; 25 for MIG, 13 for TIG when left out. */
  pitch?: number;
  /** mm of one stitch (T-09). */
  stitch?: number;
}

export interface WeldStep {
  n: number;
  kind: 'tack' | 'stitch' | 'check';
  seam: number;
  /** Places on the sheet, mm; a tack has the same place twice, a check none. */
  from: Point | null;
  to: Point | null;
  /** s to wait before it, so that its place is hand-warm. */
  wait: number;
  /** s from the beginning at which it starts, all waits included. */
  start: number;
  /** s of arc, or of checking. */
  duration: number;
  /** °C at its place just before it starts; null for a check. */
  temperature: number | null;
  text: string;
}

export interface WeldPlan {
  settings: WeldSettings;
  steps: WeldStep[];
  seamLength: number;
  tacks: number;
  stitches: number;
  arcTime: number;
  waitTime: number;
  totalTime: number;
  /** °C, highest at any start. */
  hottestStart: number;
}

/** s. Moving the torch to the next place; common practice, no published source. */
const MOVE = 6;
/** s of arc for a tack. */
const TACK_TIME = 0.8;
/** s to check gap and level after tacking. */
const CHECK_TIME = 120;
/** Tacks after which gap and level are checked. */
const TACKS_A_ROUND = 8;
/** mm. Two stitches in a row keep this distance where another place is cool enough. */
const NEIGHBOUR = 40;
/** A stitch heats evenly: it counts as this many sources along its length. */
const SOURCES = 3;
/** s. Waits are planned in this step. */
const WAIT_STEP = 5;
const LONGEST_WAIT = 3600;
const MOST_STITCHES = 400;

interface Source {
  at: Point;
  energy: number;
  time: number;
}

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
  const seams = list<WeldInput['seams'][number]>('seams', input.seams, 1, 50).map((seam, i) =>
    closedLine(`seams[${i}].points`, seam),
  );
  const set = settings(input);
  const pitch = finite('pitch', input.pitch ?? TACK_PITCH[input.process], { min: 5, max: 200, unit: 'mm' });
  const spans = seams.map((seam, s) => spansOf(seam, s, pitch, stitch));
  const stitches = spans.flat().reduce((sum, span) => sum + span.stitches.length, 0);
  if (stitches > MOST_STITCHES)
    refuse('too-many', 'seams', `This makes ${stitches} stitches; plan at most ${MOST_STITCHES} at once.`);

  const torch = new Torch(input, set, ambient, handWarm);
  for (const [s, seam] of seams.entries()) tackSeam(torch, seam, s, pitch);
  torch.check(`Tap the tacks level, check gap (up to ${input.thickness} mm) and height, try the neighbouring panel.`);
  stitchAll(torch, spans.flat(), strategy);
  torch.check(
    'Let everything cool to the touch, then dress a little at a time: grinding heat warps like welding heat.',
  );
  return torch.plan(seams.reduce((sum, seam) => sum + lineLength(seam.line), 0));
}

interface Seam {
  line: readonly Point[];
  closed: boolean;
}

function closedLine(field: string, seam: WeldInput['seams'][number]): Seam {
  const points = list<Point>(field, seam?.points, 2, 10_000).map((p, i): Point => [
    finite(`${field}[${i}][0]`, p?.[0], { unit: 'mm' }),
    finite(`${field}[${i}][1]`, p?.[1], { unit: 'mm' }),
  ]);
  const line = seam.closed ? [...points, points[0]!] : points;
  if (lineLength(line) < 5) refuse('no-length', field, `${field} is shorter than 5 mm; nothing to weld.`);
  return { line, closed: seam.closed };
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

function stitchAll(torch: Torch, spans: readonly Span[], strategy: Strategy): void {
  const queues = spans.map((span) => ({ seam: span.seam, left: [...span.stitches] }));
  const fixed = fixedOrder(
    queues.map((queue) => queue.left.length),
    strategy,
  );
  for (;;) {
    const open = queues.filter((queue) => queue.left.length > 0);
    if (open.length === 0) return;
    const next = fixed ? queues[fixed.shift()!]! : torch.coolest(open);
    torch.stitch(next.left.shift()!, next.seam);
  }
}

/** Span numbers in order for strategies that do not look at heat. */
function fixedOrder(counts: readonly number[], strategy: Strategy): number[] | undefined {
  const all = counts.map((_, i) => i);
  const repeat = (order: readonly number[]) => order.flatMap((i) => new Array<number>(counts[i]!).fill(i));
  if (strategy === 'coolest') return undefined;
  if (strategy === 'continuous') return repeat(all);
  if (strategy === 'backstep') return repeat([...all].reverse());
  return [...repeat(all.filter((i) => i % 2 === 0)), ...repeat(all.filter((i) => i % 2 === 1))];
}

/** Keeps time and heat while the steps are laid out. */
class Torch {
  private clock = 0;
  private readonly sources: Source[] = [];
  private readonly steps: WeldStep[] = [];
  private last: Point | undefined;
  private readonly rise: (energy: number, distance: number, time: number) => number;
  private readonly input: WeldInput;
  private readonly set: WeldSettings;
  private readonly ambient: number;
  private readonly handWarm: number;

  constructor(input: WeldInput, set: WeldSettings, ambient: number, handWarm: number) {
    this.input = input;
    this.set = set;
    this.ambient = ambient;
    this.handWarm = handWarm;
    this.rise = plateSource(mildSteel, input.thickness, STILL_AIR_FILM);
  }

  tack(at: Point, seam: number, text: string): void {
    const power = EFFICIENCY[this.input.process] * this.set.volts * this.set.tackCurrent;
    this.arc({ kind: 'tack', seam, from: at, to: at, duration: TACK_TIME, text }, power * TACK_TIME);
  }

  stitch({ from, to, length }: { from: Point; to: Point; length: number }, seam: number): void {
    const power = EFFICIENCY[this.input.process] * this.set.volts * this.set.seamCurrent;
    const duration = length / this.set.travel;
    this.arc(
      {
        kind: 'stitch',
        seam,
        from,
        to,
        duration,
        text: `Stitch ${Math.round(length)} mm back to the last tack or weld`,
      },
      power * duration,
    );
  }

  check(text: string): void {
    this.steps.push({
      n: this.steps.length + 1,
      kind: 'check',
      seam: 0,
      from: null,
      to: null,
      wait: 0,
      start: this.clock,
      duration: CHECK_TIME,
      temperature: null,
      text,
    });
    this.clock += CHECK_TIME;
  }

  /** The queue whose next stitch may start soonest; away from the last stitch where that is equally cool. */
  coolest<T extends { left: { from: Point }[] }>(open: readonly T[]): T {
    for (let wait = 0; wait < LONGEST_WAIT; wait += WAIT_STEP) {
      const when = this.clock + MOVE + wait;
      const cool = open
        .map((queue) => ({ queue, t: this.temperature(queue.left[0]!.from, when) }))
        .filter(({ t }) => t <= this.handWarm);
      if (cool.length === 0) continue;
      const away = cool.filter(({ queue }) => !this.last || between(queue.left[0]!.from, this.last) > NEIGHBOUR);
      return (away.length > 0 ? away : cool).reduce((a, b) => (b.t < a.t ? b : a)).queue;
    }
    return open[0]!;
  }

  private arc(
    step: Pick<WeldStep, 'kind' | 'seam' | 'duration' | 'text'> & { from: Point; to: Point },
    energy: number,
  ): void {
    const earliest = this.clock + (this.steps.length === 0 ? 0 : MOVE);
    let wait = 0;
    while (this.temperature(step.from, earliest + wait) > this.handWarm && wait < LONGEST_WAIT) wait += WAIT_STEP;
    const start = earliest + wait;
    this.steps.push({
      n: this.steps.length + 1,
      ...step,
      wait,
      start,
      temperature: this.temperature(step.from, start),
    });
    for (let k = 0; k < SOURCES; k++) {
      const share = (k + 0.5) / SOURCES;
      const at: Point = [
        step.from[0] + (step.to[0] - step.from[0]) * share,
        step.from[1] + (step.to[1] - step.from[1]) * share,
      ];
      this.sources.push({ at, energy: energy / SOURCES, time: start + step.duration * share });
    }
    this.clock = start + step.duration;
    this.last = step.to;
  }

  /** °C at a place and time, all earlier welds together. */
  private temperature(at: Point, time: number): number {
    let sum = this.ambient;
    for (const source of this.sources) {
      const since = time - source.time;
      if (since > 0) sum += this.rise(source.energy, between(at, source.at), since);
    }
    return sum;
  }

  plan(seamLength: number): WeldPlan {
    const arcs = this.steps.filter((step) => step.kind !== 'check');
    return {
      settings: this.set,
      steps: this.steps,
      seamLength,
      tacks: arcs.filter((step) => step.kind === 'tack').length,
      stitches: arcs.filter((step) => step.kind === 'stitch').length,
      arcTime: arcs.reduce((sum, step) => sum + step.duration, 0),
      waitTime: arcs.reduce((sum, step) => sum + step.wait, 0),
      totalTime: this.clock,
      hottestStart: Math.max(...arcs.map((step) => step.temperature!)),
    };
  }
}
