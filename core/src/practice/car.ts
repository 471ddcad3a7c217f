import { bodyPlan, panelOf, type BodyPlan, type Panel } from '../body/index.ts';
import { finite } from '../check.ts';
import { area, boxOf, circle, clipAll, inRing, toRing, type Point, type Polygon } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { uniforms } from '../random.ts';
import { weldableLimit } from '../survey/index.ts';

export const LEVELS = [1, 2, 3] as const;
export type Level = (typeof LEVELS)[number];
export interface PracticeSeed {
  plan: string;
  level: Level;
  /** A whole number: the same one makes the same car. */
  seed: number;
}

/** Metal that is gone in the middle of a bell, mm; above 1 it is through there. */
export interface HiddenSpot {
  at: Point;
  size: number;
  depth: number;
  /** µm of filler over it, where somebody has hidden it. */
  filler: number;
}
export interface PracticePanel {
  panel: string;
  /** What shows from outside. */
  sign: string;
  spots: HiddenSpot[];
  /** Paint build, µm. */
  coating: number;
}
export interface PracticeCar extends PracticeSeed {
  panels: PracticePanel[];
  /** Readings that may be taken in all. */
  readings: number;
}

/** By level: panels that are looked at, readings for each, and how often damage shows nothing or a sound panel shows something. */
const BY_LEVEL: Readonly<Record<Level, { panels: number; each: number; quiet: number; false: number }>> = {
  1: { panels: 3, each: 16, quiet: 0, false: 0 },
  2: { panels: 5, each: 13, quiet: 0.35, false: 0.3 },
  3: { panels: 7, each: 10, quiet: 0.6, false: 0.5 },
};
/** mm². Smaller is not worth a reading. */
const LEAST_PANEL = 60_000;
const SHOWS = [
  'Bubbles under the paint',
  'A rust stain from a seam',
  'Paint cracked like old mud',
  'Soft under the thumb',
];
const FALSE_SHOWS = ['A stain that runs from above', 'Paint run, dull and thick', 'Old underseal, flaking'];
const NOTHING = 'Nothing shows';

/**
 * A made-up car: some panels of a body with damage that does not show as it is. Invented, by its seed alone.
 *
 * @throws Problem naming the field
 * @example practiceCar({ plan: 'saloon', level: 1, seed: 7 }).panels.length // → 3
 */
export function practiceCar({ plan: planId, level, seed }: PracticeSeed): PracticeCar {
  const plan = bodyPlan(planId);
  if (!LEVELS.includes(level)) refuse('unknown-level', 'level', 'The level is 1, 2 or 3.');
  finite('seed', seed, { min: 0, max: 1e9 });
  const { panels, each, quiet, false: wrong } = BY_LEVEL[level];
  const random = uniforms(Math.round(seed) * 7 + level);
  const large = plan.panels.filter(({ outline }) => area([outline]) >= LEAST_PANEL);
  const order = large.map((panel) => ({ panel, at: random() })).sort((a, b) => a.at - b.at);
  const chosen = order.slice(0, panels).map(({ panel }, i): PracticePanel => {
    // The first is never sound: a car without any damage teaches nothing.
    const sick = i === 0 || random() < 0.7;
    const spots = sick ? spotsOn(panel, random, level) : [];
    const shows = sick ? random() >= quiet : random() < wrong;
    const words = sick ? SHOWS : FALSE_SHOWS;
    return {
      ...{ panel: panel.id, spots, coating: 110 + 200 * random() },
      sign: shows ? words[Math.floor(random() * words.length)]! : NOTHING,
    };
  });
  return { plan: planId, level, seed, panels: chosen, readings: panels * each };
}

/** One to three places, mostly low and near edges, where water stands. */
function spotsOn({ outline }: Panel, random: () => number, level: Level): HiddenSpot[] {
  const { maxU, maxV } = boxOf(outline);
  const size = Math.sqrt(area([outline]));
  return Array.from({ length: 1 + Math.floor(random() * 2.6) }, (): HiddenSpot => {
    const places = Array.from({ length: 10 }, (): Point => [maxU * random(), maxV * random() ** 1.8]);
    const inside = places.filter((p) => inRing(p, outline));
    const [at = places[0]!] = inside.sort((a, b) => toRing(a, outline) - toRing(b, outline));
    return {
      at,
      size: Math.min(180, Math.max(45, size * (0.1 + 0.12 * random()))),
      depth: 0.55 + 0.6 * random(),
      filler: level > 1 && random() < 0.35 ? 700 + 1600 * random() : 0,
    };
  });
}

const bell = (p: Point, { at, size }: HiddenSpot) =>
  Math.exp(-((p[0] - at[0]) ** 2 + (p[1] - at[1]) ** 2) / (2 * size ** 2));

/** True metal left at a place, as a share of as built. */
export const shareAt = ({ spots }: PracticePanel, p: Point): number =>
  Math.max(0, 1 - Math.max(0, ...spots.map((spot) => spot.depth * bell(p, spot))));
/** True coating at a place, µm. */
const coatingAt = ({ spots, coating }: PracticePanel, p: Point): number =>
  coating + Math.max(0, ...spots.map((spot) => spot.filler * bell(p, spot)));

export type PracticeGauge = 'metal' | 'coating';
/** Spread of one reading, mm of metal, and share of a coating; written from memory. */
const NOISE = { metal: 0.02, coating: 0.03 };

/**
 * What a gauge says at a place. The same question of the same car has the same answer.
 *
 * @param n how many readings were taken before
 * @returns mm of metal or µm of coating
 */
export function practiceReading(
  car: PracticeCar,
  { panel, at, gauge, n }: { panel: string; at: Point; gauge: PracticeGauge; n: number },
): number {
  const own =
    car.panels.find((one) => one.panel === panel) ??
    refuse('unknown-panel', 'panel', 'This panel is not part of the exercise.');
  const sheet = panelOf(bodyPlan(car.plan), panel);
  if (!inRing(at, sheet.outline)) refuse('outside-panel', 'at', 'This place does not lie on the panel.');
  const random = uniforms(car.seed * 31 + n * 101 + Math.round(at[0]) * 7 + Math.round(at[1]));
  const noise = random() + random() + random() - 1.5;
  if (gauge === 'coating') return Math.max(0, coatingAt(own, at) * (1 + NOISE.coating * 2 * noise));
  return Math.max(0, sheet.layers[0]!.thickness * shareAt(own, at) + NOISE.metal * 2 * noise);
}

/** Where the metal of a panel is too thin to weld to: what has to come out. mm. */
export function goneOn(plan: BodyPlan, { panel: id, spots }: PracticePanel): Polygon[] {
  const panel = panelOf(plan, id);
  const { thickness } = panel.layers[0]!;
  const least = 1 - weldableLimit(thickness) / thickness;
  const rings = spots.flatMap((spot): Polygon[] => {
    if (spot.depth <= least) return [];
    // The bell falls to what may be lost at this distance.
    return [[circle(spot.at, spot.size * Math.sqrt(2 * Math.log(spot.depth / least)))]];
  });
  if (rings.length === 0) return [];
  const together = clipAll('union', rings, []).polygons;
  return clipAll('intersection', together, [[panel.outline]]).polygons.map((polygon): Polygon => [polygon[0]!]);
}
