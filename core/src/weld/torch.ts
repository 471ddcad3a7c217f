import { between, type Point } from '../geometry/index.ts';
import { distortion } from './distortion.ts';
import { plateSource } from './lineSource.ts';
import { MATERIALS, STILL_AIR_FILM } from './material.ts';
import { isHot, type Choice, type StepKind, type WeldPlan, type WeldStep } from './planTypes.ts';
import type { WeldMaterial } from './material.ts';
import type { NetPower } from './netPower.ts';
import type { WeldSettings } from './settings.ts';

/** s. Moving the torch to the next place; common practice, no published source. */
const MOVE = 6;
/** s of arc for a tack. */
const TACK_TIME = 0.8;
/** s to check gap and level after tacking. */
const CHECK_TIME = 120;
/** s. Clamping beside a plug or setting the electrodes before the next (T-11). */
const CLAMP = 20;
/** K. What an old weld still adds less of is not counted any more. */
const FADED = 0.01;
/** mm. Two stitches in a row keep this distance where another place is cool enough. */
const NEIGHBOUR = 40;
/** A stitch heats evenly: it counts as this many sources along its length. */
const SOURCES = 3;
/** s. Waits are planned in this step. */
const WAIT_STEP = 5;
const LONGEST_WAIT = 3600;
/** s. Turning the car, or moving everything to the other position; common practice, no published source. */
const TURN_TIME = 300;
interface Source {
  at: Point;
  energy: number;
  time: number;
}

/** Keeps time and heat while the steps are laid out. */
export class Torch {
  private clock = 0;
  private readonly sources: Source[] = [];
  private readonly steps: WeldStep[] = [];
  private last: Point | undefined;
  private readonly rise: (energy: number, distance: number, time: number) => number;
  private readonly thickness: number;
  private power!: NetPower;
  private readonly ambient: number;
  private readonly handWarm: number;
  /** Welds before this one have faded. */
  private oldest = 0;

  constructor(
    { material, thickness }: { material?: WeldMaterial | undefined; thickness: number },
    ambient: number,
    handWarm: number,
  ) {
    this.thickness = thickness;
    this.ambient = ambient;
    this.handWarm = handWarm;
    this.rise = plateSource(MATERIALS[material ?? 'steel'], thickness, STILL_AIR_FILM);
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
          .map((queue) => ({ queue, t: this.temperature(queue.left[0]!.from, when) }))
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
    let wait = 0;
    while (this.temperature(step.from, earliest + wait) > this.handWarm && wait < LONGEST_WAIT) wait += WAIT_STEP;
    const start = earliest + wait;
    this.steps.push({
      n: this.steps.length + 1,
      ...step,
      wait,
      start,
      temperature: this.temperature(step.from, start),
      energy,
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
    while (this.hasFaded(this.sources[this.oldest]!)) this.oldest++;
  }

  /** °C at a place and time, all earlier welds together. */
  private temperature(at: Point, time: number): number {
    let sum = this.ambient;
    for (let i = this.oldest; i < this.sources.length; i++) {
      const source = this.sources[i]!;
      const since = time - source.time;
      if (since > 0) sum += this.rise(source.energy, between(at, source.at), since);
    }
    return sum;
  }

  /** It warms no place noticeably any more, not even its own. */
  private hasFaded({ energy, time }: Source): boolean {
    const since = this.clock - time;
    return since > 0 && this.rise(energy, 0, since) < FADED;
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
