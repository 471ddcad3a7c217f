import { between, type Point } from '../geometry/index.ts';
import { distortion } from './distortion.ts';
import { isHot, type Choice, type StepKind, type WeldPlan, type WeldStep } from './planTypes.ts';
import type { NetPower } from './netPower.ts';
import type { WeldSettings } from './settings.ts';
import { LONGEST_WAIT, WAIT_STEP, Warmth, type WeldedSheet } from './warmth.ts';

/** s. Moving the torch to the next place; common practice, no published source. */
const MOVE = 6;
/** s of arc for a tack. */
const TACK_TIME = 0.8;
/** s to check gap and level after tacking. */
const CHECK_TIME = 120;
/** s. Clamping beside a plug or setting the electrodes before the next (T-11). */
const CLAMP = 20;
/** mm. Two stitches in a row keep this distance where another place is cool enough. */
const NEIGHBOUR = 40;
/** s. Turning the car, or moving everything to the other position; common practice, no published source. */
const TURN_TIME = 300;
/** Keeps time and heat while the steps are laid out. */
export class Torch {
  private clock = 0;
  private readonly steps: WeldStep[] = [];
  private last: Point | undefined;
  private readonly thickness: number;
  private power!: NetPower;
  private readonly ambient: number;
  private readonly handWarm: number;
  private readonly warmth: Warmth;

  constructor(sheet: WeldedSheet, ambient: number, handWarm: number) {
    this.thickness = sheet.thickness;
    this.ambient = ambient;
    this.handWarm = handWarm;
    this.warmth = new Warmth(sheet, ambient, handWarm);
  }

  /** From here on the welder is set like this. */
  set(power: NetPower): void {
    this.power = power;
  }

  tack(at: Point, seam: number, text: string): void {
    this.heat({ kind: 'tack', seam, from: at, to: at, duration: TACK_TIME, text }, this.power.tack * TACK_TIME);
  }

  stitch({ from, to, length }: { from: Point; to: Point; length: number }, seam: number): void {
    const duration = length / this.power.travel;
    const text = `Stitch ${Math.round(length)} mm back to the last tack or weld`;
    this.heat({ kind: 'stitch', seam, from, to, duration, text }, this.power.seam * duration);
  }

  /** A weld in one place: plug, spot, or a hole that is closed. */
  point(
    kind: 'plug' | 'spot' | 'hole',
    at: Point,
    { seam, duration, energy, text }: { seam: number; duration: number; energy?: number; text: string },
  ): void {
    this.heat({ kind, seam, from: at, to: at, duration, text }, energy ?? this.power.tack * duration, CLAMP);
  }

  check(text: string): void {
    this.work('check', CHECK_TIME, text);
  }

  turn(text: string): void {
    this.work('turn', TURN_TIME, text);
  }

  /** What takes time and no heat, at a place where it has one; s. */
  work(kind: StepKind, duration: number, text: string, at: { seam: number; place: Point } | null = null): void {
    this.steps.push({
      n: this.steps.length + 1,
      kind,
      seam: at?.seam ?? 0,
      from: at?.place ?? null,
      to: at?.place ?? null,
      wait: 0,
      start: this.clock,
      duration,
      temperature: null,
      text,
    });
    this.clock += duration;
  }

  /**
   * The queue whose next stitch may start soonest: of the preferred ones if any is cool now, else of all; waits are
   * looked at only when nothing is cool. Away from the last stitch where that is equally cool.
   */
  coolest<T extends { left: { from: Point }[] }>(preferred: readonly T[], all: readonly T[], choice: Choice): T {
    for (let wait = 0; wait < LONGEST_WAIT; wait += WAIT_STEP) {
      const when = this.clock + MOVE + wait;
      const coolAmong = (queues: readonly T[]) =>
        queues
          .map((queue) => ({ queue, t: this.warmth.at(queue.left[0]!.from, when) }))
          .filter(({ t }) => t <= this.handWarm);
      const favoured = coolAmong(preferred);
      const cool = favoured.length > 0 || preferred === all ? favoured : coolAmong(all);
      if (cool.length === 0) continue;
      const away = cool.filter(({ queue }) => !this.last || between(queue.left[0]!.from, this.last) > NEIGHBOUR);
      const among = away.length > 0 ? away : cool;
      const rank = ({ queue, t }: (typeof cool)[number]) =>
        choice === 'farthest' && this.last ? -between(queue.left[0]!.from, this.last) : choice === 'warmest' ? -t : t;
      return among.reduce((a, b) => (rank(b) < rank(a) ? b : a)).queue;
    }
    return all[0]!;
  }

  private heat(
    step: Pick<WeldStep, 'kind' | 'seam' | 'duration' | 'text'> & { from: Point; to: Point },
    energy: number,
    move = MOVE,
  ): void {
    const earliest = this.clock + (this.steps.length === 0 ? 0 : move);
    const wait = this.warmth.waitAt(step.from, earliest);
    const start = earliest + wait;
    this.steps.push({
      n: this.steps.length + 1,
      ...step,
      wait,
      start,
      temperature: this.warmth.at(step.from, start),
      energy,
    });
    this.warmth.add(step, energy, start);
    this.clock = start + step.duration;
    this.last = step.to;
  }

  plan(set: WeldSettings, seamLength: number): WeldPlan {
    const hot = this.steps.filter(isHot);
    const stitches = hot.filter((step) => step.kind === 'stitch');
    return {
      settings: set,
      steps: this.steps,
      seamLength,
      tacks: hot.filter((step) => step.kind === 'tack').length,
      stitches: stitches.length,
      arcTime: hot.reduce((sum, step) => sum + step.duration, 0),
      waitTime: hot.reduce((sum, step) => sum + step.wait, 0),
      totalTime: this.clock,
      hottestStart: hot.reduce((most, step) => Math.max(most, step.temperature!), this.ambient),
      distortionIndex: this.distortionOf(stitches, seamLength),
    };
  }

  private distortionOf(stitches: readonly WeldStep[], seamLength: number): number {
    if (stitches.length === 0) return 0;
    return distortion({
      stitches: stitches.map(({ from, to, temperature }) => ({
        at: [(from![0] + to![0]) / 2, (from![1] + to![1]) / 2],
        length: Math.max(0.1, between(from!, to!)),
        temperature: Math.min(500, temperature!),
      })),
      thickness: this.thickness,
      width: Math.max(1, seamLength),
      ambient: this.ambient,
    }).index;
  }
}
