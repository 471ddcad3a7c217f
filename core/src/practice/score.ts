import type { BodyPlan } from '../body/index.ts';
import { area, clipAll, offset, type Polygon, type Ring } from '../geometry/index.ts';
import { goneOn, type PracticeCar } from './car.ts';

export type PracticeChoice = 'sound' | 'patch' | 'whole';
export interface PracticeAnswer {
  panel: string;
  choice: PracticeChoice;
  zones: readonly Ring[];
}
/** Hours that a panel takes with each choice, as the same joints and paces reckon them. */
export interface PracticeHours {
  /** With the damage as it truly is; null where there is none. */
  patch: number | null;
  whole: number;
  /** The patch as the player drew it; null where he drew none, or none can be laid. */
  drawn: number | null;
}

export interface PanelScore {
  panel: string;
  choice: PracticeChoice;
  /** Metal that has to come out, mm². */
  gone: number;
  /** Share of it that was marked; 1 where nothing is gone. */
  found: number;
  /** Marked although it is sound, mm², beyond the margin of a line. */
  needless: number;
  best: PracticeChoice;
  bestHours: number;
  /** What the choice costs in the end, opened again where something was left. */
  hours: number;
  lost: number;
  lesson: string;
}
export interface PracticeScore {
  /** 0 to 100: hours of a competent plan over those of this one. */
  points: number;
  panels: PanelScore[];
  bestHours: number;
  hours: number;
  readings: number;
  /** Readings beyond those that were allowed. */
  over: number;
}

/** mm of sound metal that a line takes in anyway. */
const MARGIN = 20;
/** From which share on all of it is found. */
const FOUND = 0.95;
/** What is left comes back when the car is painted: opened, done and painted again; common practice, no published source. */
const AGAIN = 1.6;
/** Hours of one reading, with cleaning the spot. */
const READING = 0.03;

/**
 * How good were these decisions, with the truth on the table? Each is held against the way that takes least with all
 * that is known; what was left in the metal has to be opened again.
 *
 * @param hours by panel, as the joints of the car reckon them
 * @param readings taken in all
 * @example scorePractice({ car: practiceCar({ plan: 'saloon', level: 1, seed: 7 }), plan: bodyPlan('saloon'), answers: [], hours: {}, readings: 0 }).points // → 0
 */
export function scorePractice({
  car,
  plan,
  answers,
  hours,
  readings,
}: {
  car: PracticeCar;
  plan: BodyPlan;
  answers: readonly PracticeAnswer[];
  hours: Readonly<Record<string, PracticeHours>>;
  readings: number;
}): PracticeScore {
  const panels = car.panels.map((own): PanelScore => {
    const answer = answers.find(({ panel }) => panel === own.panel);
    const gone = goneOn(plan, own);
    return scorePanel(own.panel, gone, answer, hours[own.panel]);
  });
  const over = Math.max(0, readings - car.readings);
  const bestHours = panels.reduce((sum, one) => sum + one.bestHours, 0);
  const spent = panels.reduce((sum, one) => sum + one.hours, 0) + over * READING;
  const lost = panels.reduce((sum, one) => sum + one.lost, 0) + over * READING;
  return {
    points: bestHours + lost > 0 ? Math.round((100 * bestHours) / (bestHours + lost)) : 100,
    ...{ panels, bestHours, hours: spent, readings, over },
  };
}

function scorePanel(
  panel: string,
  gone: readonly Polygon[],
  answer: PracticeAnswer | undefined,
  hours: PracticeHours = { patch: null, whole: 0, drawn: null },
): PanelScore {
  const size = gone.reduce((sum, one) => sum + area(one), 0);
  const marked = (answer?.zones ?? []).map((ring): Polygon => [ring]);
  const hit = size > 0 && marked.length > 0 ? clipAll('intersection', marked, gone).area / size : size > 0 ? 0 : 1;
  const around = gone.length > 0 ? offset(gone, MARGIN).polygons : [];
  const needless =
    marked.length === 0
      ? 0
      : around.length === 0
        ? clipAll('union', marked, []).area
        : clipAll('difference', marked, around).area;
  const choice = answer?.choice ?? 'sound';
  const patch = hours.patch ?? hours.whole;
  const best: PracticeChoice = size === 0 ? 'sound' : patch <= hours.whole ? 'patch' : 'whole';
  const bestHours = best === 'sound' ? 0 : Math.min(patch, hours.whole);
  const taken = spentOn({ choice, size, found: hit, hours, patch });
  return {
    ...{ panel, choice, gone: size, found: hit, needless, best, bestHours, hours: taken },
    lost: Math.max(0, taken - bestHours),
    lesson: lessonOf({ choice, best, size, found: hit, needless }),
  };
}

function spentOn({
  choice,
  size,
  found,
  hours,
  patch,
}: {
  choice: PracticeChoice;
  size: number;
  found: number;
  hours: PracticeHours;
  patch: number;
}): number {
  const needed = size === 0 ? 0 : Math.min(patch, hours.whole);
  if (choice === 'whole') return hours.whole;
  if (choice === 'sound') return needed * AGAIN;
  const own = hours.drawn ?? 0;
  return found >= FOUND ? own : own + needed * AGAIN * (1 - found);
}

function lessonOf({
  choice,
  best,
  size,
  found,
  needless,
}: Pick<PanelScore, 'choice' | 'best' | 'found' | 'needless'> & { size: number }): string {
  const left = Math.round((1 - found) * 100);
  if (size === 0)
    return choice === 'sound'
      ? 'Sound, and called so.'
      : 'It is sound: what showed came from elsewhere. Read before you cut.';
  if (choice === 'sound')
    return 'It is rotten and was called sound: it comes back under new paint. Read low and along the edges, where water stands.';
  if (choice === 'patch' && found < FOUND)
    return `${left} % of what is gone was left in: read outward from each find until the metal is whole on all sides.`;
  if (choice !== best)
    return best === 'patch'
      ? 'A patch would have done: the whole panel opens all of its seams.'
      : 'So much is gone that the whole panel takes less than the patch.';
  return needless > size
    ? 'All of it is out, and as much sound metal with it: a few more readings would have drawn the line closer.'
    : 'Found, and done the shorter way.';
}
