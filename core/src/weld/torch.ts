import { between, type Point } from '../geometry/index.ts';
import { distortion } from './distortion.ts';
import { plateSource } from './lineSource.ts';
import { MATERIALS, STILL_AIR_FILM } from './material.ts';
import type { Choice, WeldInput, WeldPlan, WeldStep } from './planTypes.ts';
import { EFFICIENCY, type ArcSettings } from './settings.ts';

/** s. Moving the torch to the next place; common practice, no published source. */
const MOVE = 6;
/** s of arc for a tack. */
const TACK_TIME = 0.8;
/** s to check gap and level after tacking. */
const CHECK_TIME = 120;
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
  private readonly input: WeldInput;
  private current!: ArcSettings;
  private readonly ambient: number;
  private readonly handWarm: number;

  constructor(input: WeldInput, ambient: number, handWarm: number) {
    this.input = input;
    this.ambient = ambient;
    this.handWarm = handWarm;
    this.rise = plateSource(MATERIALS[input.material ?? 'steel'], input.thickness, STILL_AIR_FILM);
  }

  /** From here on the welder is set like this. */
  set(current: ArcSettings): void {
    this.current = current;
  }

  tack(at: Point, seam: number, text: string): void {
    const power = EFFICIENCY[this.input.process] * this.current.volts * this.current.tackCurrent;
    this.arc({ kind: 'tack', seam, from: at, to: at, duration: TACK_TIME, text }, power * TACK_TIME);
  }

  stitch({ from, to, length }: { from: Point; to: Point; length: number }, seam: number): void {
    const power = EFFICIENCY[this.input.process] * this.current.volts * this.current.seamCurrent;
    const duration = length / this.current.travel;
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
    this.pause('check', CHECK_TIME, text);
  }

  turn(text: string): void {
    this.pause('turn', TURN_TIME, text);
  }

  private pause(kind: 'check' | 'turn', duration: number, text: string): void {
    this.steps.push({
      n: this.steps.length + 1,
      kind,
      seam: 0,
      from: null,
      to: null,
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

  plan(set: ArcSettings, seamLength: number): WeldPlan {
    const arcs = this.steps.filter((step) => step.kind === 'tack' || step.kind === 'stitch');
    const stitches = arcs.filter((step) => step.kind === 'stitch');
    return {
      settings: set,
      steps: this.steps,
      seamLength,
      tacks: arcs.filter((step) => step.kind === 'tack').length,
      stitches: stitches.length,
      arcTime: arcs.reduce((sum, step) => sum + step.duration, 0),
      waitTime: arcs.reduce((sum, step) => sum + step.wait, 0),
      totalTime: this.clock,
      hottestStart: Math.max(...arcs.map((step) => step.temperature!)),
      distortionIndex: distortion({
        stitches: stitches.map(({ from, to, temperature }) => ({
          at: [(from![0] + to![0]) / 2, (from![1] + to![1]) / 2],
          length: Math.max(0.1, between(from!, to!)),
          temperature: Math.min(500, temperature!),
        })),
        thickness: this.input.thickness,
        width: Math.max(1, seamLength),
        ambient: this.ambient,
      }).index,
    };
  }
}
