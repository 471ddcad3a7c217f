import { between, type Point } from '../geometry/index.ts';
import { backedSource } from './copper.ts';
import { plateSource } from './lineSource.ts';
import { MATERIALS, STILL_AIR_FILM, type WeldMaterial } from './material.ts';

/** The sheet that is welded, with what stands behind its joints. */
export interface WeldedSheet {
  material?: WeldMaterial | undefined;
  /** mm */
  thickness: number;
  copper?: boolean | undefined;
}

/** K. What an old weld still adds less of is not counted any more. */
const FADED = 0.01;
/** A stitch heats evenly: it counts as this many sources along its length. */
const SOURCES = 3;
/** s. Waits are planned in this step. */
export const WAIT_STEP = 5;
export const LONGEST_WAIT = 3600;

interface Source {
  at: Point;
  energy: number;
  time: number;
}

/** How warm one sheet is, all welds on it so far together: by line sources in a large plate. */
export class Warmth {
  private readonly sources: Source[] = [];
  private readonly rise: (energy: number, distance: number, time: number) => number;
  private readonly ambient: number;
  private readonly handWarm: number;
  /** Welds before this one have faded. */
  private oldest = 0;

  /** Temperatures in °C; a weld starts where its place is down to `handWarm`. */
  constructor({ material, thickness, copper = false }: WeldedSheet, ambient: number, handWarm: number) {
    this.ambient = ambient;
    this.handWarm = handWarm;
    const sheet = MATERIALS[material ?? 'steel'];
    this.rise = copper ? backedSource(sheet, thickness) : plateSource(sheet, thickness, STILL_AIR_FILM);
  }

  /** °C at a place, s. */
  at(place: Point, time: number): number {
    let sum = this.ambient;
    for (let i = this.oldest; i < this.sources.length; i++) {
      const source = this.sources[i]!;
      const since = time - source.time;
      if (since > 0) sum += this.rise(source.energy, between(place, source.at), since);
    }
    return sum;
  }

  /** How long after `earliest` a place is cool enough, s. */
  waitAt(place: Point, earliest: number): number {
    let wait = 0;
    while (this.at(place, earliest + wait) > this.handWarm && wait < LONGEST_WAIT) wait += WAIT_STEP;
    return wait;
  }

  /** A weld along a line, J; s. */
  add({ from, to, duration }: { from: Point; to: Point; duration: number }, energy: number, start: number): void {
    for (let k = 0; k < SOURCES; k++) {
      const share = (k + 0.5) / SOURCES;
      const at: Point = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
      this.sources.push({ at, energy: energy / SOURCES, time: start + duration * share });
    }
    while (this.hasFaded(this.sources[this.oldest]!, start + duration)) this.oldest++;
  }

  /** It warms no place noticeably any more, not even its own. */
  private hasFaded({ energy, time }: Source, now: number): boolean {
    const since = now - time;
    return since > 0 && this.rise(energy, 0, since) < FADED;
  }
}
