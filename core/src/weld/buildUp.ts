import { finite } from '../check.ts';
import { PACES, lineWork } from '../repair/index.ts';
import { plateSource } from './lineSource.ts';
import { MATERIALS, STILL_AIR_FILM, type WeldMaterial } from './material.ts';
import { netPower } from './netPower.ts';
import type { HandProcess } from './planTypes.ts';
import { settings } from './settings.ts';

export interface BuildUpInput {
  /** Of the edge that is built up, mm. */
  length: number;
  /** How far the metal is to come forward, mm. */
  low: number;
  /** mm */
  thickness: number;
  process?: HandProcess;
  material?: WeldMaterial;
  /** °C to which the edge cools before the next pass. */
  limit?: number;
  /** °C */
  ambient?: number;
}

export interface BuildUp {
  passes: number;
  /** mm that each pass adds. */
  each: number;
  /** s of arc or flame, all passes together. */
  hot: number;
  /** s after each pass but the last: until the hottest place is at the limit again. */
  pauses: number[];
  /** All of it, the edge ground straight at the end; min. */
  minutes: number;
  /** A strip let in instead, with the joint that it has more; min. */
  strip: number;
  better: 'bead' | 'strip';
  why: string;
}

/** mm that a pass adds at most (T-39). */
const MOST_A_PASS = 1.5;
/** mm over which an edge is no edge for a bead any more (T-35); common practice, no published source. */
export const MOST_BY_BEAD = 3;
/** mm between the places at which heat goes in, and between those that are looked at. */
const APART = 10;
/** All heat goes to one side of an edge: as if there were twice as much of it in a sheet that goes on. */
const AT_AN_EDGE = 2;
/** s. Nobody waits longer than that for a pass: the pause is told as this. */
const LONGEST = 3600;

/**
 * In how many passes is an edge built up with weld bead, how long does each have to cool, and is a strip the better
 * way? Each pass runs from one end to the other; the next begins when the hottest place of the edge is down to the limit.
 *
 * @param input mm, °C; length 5 to 3,000, low 0.01 to 20
 * @returns mm, s and min
 * @throws Problem naming the field
 * Source: line sources along the edge of a half-plane (Carslaw & Jaeger §10.3, doubled by the image behind the edge),
 * heat EN 1011-1; height of a pass and where a strip is better T-35, T-39; minutes of a strip common practice.
 * @example buildUp({ length: 200, low: 2, thickness: 1 }).passes // → 2
 */
export function buildUp({
  length,
  low,
  thickness,
  process = 'mig',
  material = 'steel',
  limit = 50,
  ambient = 20,
}: BuildUpInput): BuildUp {
  finite('length', length, { min: 5, max: 3000, unit: 'mm' });
  finite('low', low, { min: 0.01, max: 20, unit: 'mm' });
  const set = settings({ process, thickness, material });
  finite('ambient', ambient, { min: -20, max: 50, unit: '°C' });
  finite('limit', limit, { above: ambient, max: 400, unit: '°C' });
  const passes = Math.ceil(low / MOST_A_PASS - 1e-9);
  const power = netPower(process, set, thickness);
  const run = length / power.travel;
  const pauses = pausesOf({ passes, length, run, energy: power.seam * run, allowed: limit - ambient }, (e, r, t) =>
    plateSource(MATERIALS[material], thickness, STILL_AIR_FILM)(e, r, t),
  );
  const hot = passes * run;
  const waits = pauses.reduce((sum, pause) => sum + pause, 0);
  const dm = length / 100;
  const minutes = (hot + waits) / 60 + PACES.flangeDm[1] * dm;
  const strip =
    PACES.template[1] +
    PACES.trialFit[1] +
    lineWork(length, { visible: true }).reduce((sum, { count, minutes: [, usual] }) => sum + count * usual, 0);
  const tooFar = low > MOST_BY_BEAD;
  const better = tooFar || minutes > strip ? 'strip' : 'bead';
  return {
    ...{ passes, each: low / passes, hot, pauses, minutes, strip, better },
    why: tooFar
      ? `Beyond ${MOST_BY_BEAD} mm a bead is hard, thick and pulls the edge: let in a strip.`
      : better === 'strip'
        ? 'With its pauses the bead takes longer than a strip that is let in.'
        : 'A few passes, each left to cool, are quicker than a strip and the joint that it has more.',
  };
}

interface Edge {
  passes: number;
  length: number;
  /** s for one pass. */
  run: number;
  /** J of one pass. */
  energy: number;
  /** K above the surroundings. */
  allowed: number;
}

/** After each pass but the last: how long until no place of the edge is warmer than allowed, all passes so far together. */
function pausesOf(
  { passes, length, run, energy, allowed }: Edge,
  rise: (energy: number, distance: number, time: number) => number,
): number[] {
  const count = Math.max(1, Math.round(length / APART));
  const places = Array.from({ length: count }, (_, i) => ((i + 0.5) * length) / count);
  const looked = places.filter((_, i) => i % Math.ceil(count / 12) === 0 || i === count - 1);
  const pauses: number[] = [];
  const begins = [0];
  const warmest = (now: number) =>
    Math.max(
      ...looked.map((at) =>
        begins.reduce(
          (sum, begin) =>
            sum +
            places.reduce((heat, place) => {
              const since = now - begin - (place / length) * run;
              return since > 0 ? heat + AT_AN_EDGE * rise(energy / count, at - place, since) : heat;
            }, 0),
          0,
        ),
      ),
    );
  for (let pass = 1; pass < passes; pass++) {
    const end = begins.at(-1)! + run;
    let [soon, late] = [0, LONGEST];
    if (warmest(end + LONGEST) <= allowed)
      while (late - soon > 1) {
        const middle = (soon + late) / 2;
        if (warmest(end + middle) <= allowed) late = middle;
        else soon = middle;
      }
    pauses.push(late);
    begins.push(end + late);
  }
  return pauses;
}
