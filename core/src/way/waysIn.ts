import { finite, list } from '../check.ts';
import { passage, split, type Passage, type Split } from '../cut/index.ts';
import { between, boxOf, type Point, type Ring } from '../geometry/index.ts';
import { Problem, refuse } from '../problem.ts';
import { lineWork, meanHours, type Metalwork } from '../repair/index.ts';
import { asLine, type PartingLine } from './parting.ts';
import { stretchesAlong } from './seams.ts';

/** Something that comes off on the way, and goes back: hours, and what may break with it. */
export interface WayPart {
  what: string;
  off: number;
  on: number;
  /** What may break; empty where nothing does. With which chance (0 to 1), and what it costs, minor units. */
  risk: string;
  chance: number;
  price: number;
}

/** One way to bring a piece to its place: through an opening, after something has come off. */
export interface WayRoute {
  id: string;
  name: string;
  /** Clear sides, mm. */
  opening: { a: number; b: number };
  /** Space behind the opening, mm; null where nothing stands in the way. */
  room: number | null;
  parts: readonly WayPart[];
}

export interface WayInput {
  /** Outline of the piece, mm. */
  piece: Ring;
  /** How deep it is across its plane, mm. */
  depth: number;
  /** Play in all, mm (T-16). */
  clearance: number;
  lines: readonly PartingLine[];
  routes: readonly WayRoute[];
  /** Of an hour, minor units. */
  rate: number;
  /** The seams are seen, and dressed fully. */
  visible: boolean;
  /** What the shop would rather do where the piece is too large; what costs least where it is left out. */
  rather?: Metalwork['passage'];
  /** How its seams are made level; by filler where it is left out. */
  finish?: Metalwork['finish'];
}

export interface WayResult {
  id: string;
  passes: boolean;
  /** Sections in which it goes in; empty where it does not. */
  sections: { outline: Ring; passage: Passage }[];
  lines: Split['lines'];
  /** Of the seams that join the sections, mm. */
  seam: number;
  hours: { parts: number; seams: number };
  /** What may break, at its chance, minor units. */
  risk: number;
  /** All hours in money, and the risk. */
  total: number;
  /** Why it does not go in; null where it does. */
  problem: string | null;
}

const MOST_ROUTES = 8;

/**
 * By which way does a piece get to its place? For each opening: whole or in how few sections, what comes
 * off and goes back, the seams that parting costs, and what may break; all of it in one figure.
 *
 * @param input mm; hours; money in minor units
 * @returns the ways in their order, the one that the shop would take, and the one that costs least of those that work; null where none does
 * @throws Problem naming the field
 * Source: passage and parting as in cut.passage and cut.split; hours as in the joints of a repair;
 * expected loss = chance × price.
 * @example waysIn({ piece: [[0, 0], [400, 0], [400, 300], [0, 300]], depth: 20, clearance: 50, lines: [], routes: [{ id: 'door', name: 'Door', opening: { a: 900, b: 700 }, room: null, parts: [] }], rate: 5000, visible: false }).best // → "door"
 */
export function waysIn({
  piece,
  depth,
  clearance,
  lines,
  routes,
  rate,
  visible,
  rather = 'cheapest',
  finish = 'filler',
}: WayInput): {
  routes: WayResult[];
  best: string | null;
  cheapest: string | null;
} {
  finite('rate', rate, { min: 0, max: 1e9 });
  const { minU, minV, maxU, maxV } = boxOf(piece);
  const allowed = list<PartingLine>('lines', lines, 0, 12).map(({ across, at }, i): [Point, Point] => {
    const far = finite(`lines[${i}].at`, at, { above: 0, max: 1e5, unit: 'mm' });
    if (far >= (across ? maxU - minU : maxV - minV))
      refuse('outside', `lines[${i}].at`, `Line ${i + 1} lies beyond the piece; type a distance within it.`);
    return asLine(piece, { across, at: far });
  });
  const results = list<WayRoute>('routes', routes, 0, MOST_ROUTES).map((route, i): WayResult => {
    const parts = partsOf(route, i);
    const through = {
      ...{ piece: [[...piece]], depth, clearance, opening: route.opening },
      ...(route.room === null ? {} : { room: route.room }),
    };
    const whole = passage(through);
    try {
      const { sections, lines: used } = whole.passes
        ? { sections: [{ outline: [...piece], passage: whole }], lines: [] }
        : split({ ...through, allowed });
      const seam = used
        .flatMap(({ crossings }) => stretchesAlong(crossings.map(({ at }) => at)))
        .reduce((sum, [from, to]) => sum + between(from, to), 0);
      const seams = seam > 0 ? meanHours(lineWork(seam, { visible, finish })) : 0;
      return {
        ...{ id: route.id, passes: true, sections, lines: used, seam, risk: parts.risk, problem: null },
        hours: { parts: parts.hours, seams },
        total: Math.round((parts.hours + seams) * rate + parts.risk),
      };
    } catch (error) {
      if (!(error instanceof Problem) || error.code !== 'cannot-pass') throw error;
      const problem = allowed.length > 0 ? error.message : whole.how;
      return {
        ...{ id: route.id, passes: false, sections: [], lines: [], seam: 0, risk: parts.risk, problem },
        hours: { parts: parts.hours, seams: 0 },
        total: Math.round(parts.hours * rate + parts.risk),
      };
    }
  });
  const ways = results.filter(({ passes }) => passes);
  const parted = ({ sections }: WayResult) => sections.length > 1;
  const asHouse = ways.filter((way) => rather !== 'cheapest' && parted(way) === (rather === 'sections'));
  return { routes: results, best: leastOf(asHouse.length > 0 ? asHouse : ways), cheapest: leastOf(ways) };
}

const leastOf = (ways: readonly WayResult[]): string | null =>
  ways.length > 0 ? ways.reduce((a, b) => (b.total < a.total ? b : a)).id : null;

function partsOf({ parts }: WayRoute, i: number): { hours: number; risk: number } {
  let [hours, risk] = [0, 0];
  list<WayPart>(`routes[${i}].parts`, parts, 0, 20).forEach((part, k) => {
    const at = `routes[${i}].parts[${k}]`;
    hours += finite(`${at}.off`, part.off, { min: 0, max: 1000, unit: 'h' });
    hours += finite(`${at}.on`, part.on, { min: 0, max: 1000, unit: 'h' });
    risk +=
      finite(`${at}.chance`, part.chance, { min: 0, max: 1 }) * finite(`${at}.price`, part.price, { min: 0, max: 1e9 });
  });
  return { hours, risk };
}
