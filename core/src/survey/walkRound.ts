import type { BodyPlan, Panel } from '../body/index.ts';
import {
  between,
  boxOf,
  centroid,
  inPolygon,
  lineLength,
  nearestOnSegment,
  offset,
  pointAt,
  simplifyRing,
  type Point,
  type Polygon,
} from '../geometry/index.ts';
import type { Climate } from './corrosion.ts';
import type { SignId } from './signs.ts';
import { carriesLoad, usualLimits, type Limits } from './limits.ts';

/** What is known of a car's life that moves the places to look at. */
export type PastId = 'repaired' | 'outside' | 'undersealed' | 'flooded' | 'crashed';

/** One place of the first pass: where to look, why there, and for what. */
export interface WalkPlace {
  id: string;
  panel: string;
  layer: string;
  at: Point;
  title: string;
  why: string;
  lookFor: readonly SignId[];
  /** 0 to 1: how likely damage is here, for this climate and this past. Common practice, no published source. */
  risk: number;
  /** Carries load, or so near to a mount that it counts as if it did. */
  structural: boolean;
}

/** Places at the most; a walk that is too long is not walked. */
const MOST_PLACES = 90;

type Kind = 'mount' | 'drain' | 'corner' | 'arch' | 'trim' | 'seam' | 'hollow';
const KINDS: Readonly<Record<Kind, { base: number; why: string; lookFor: readonly SignId[] }>> = {
  mount: {
    base: 0.6,
    why: 'Mounts carry the load and hold wet dirt against the sheet.',
    lookFor: ['hole', 'filler-over-hole', 'old-patch', 'poor-weld', 'flaking', 'stuck-nut'],
  },
  drain: {
    base: 0.5,
    why: 'Where a drain is blocked, water stands and the sheet rusts from inside.',
    lookFor: ['blocked-drain', 'packed-dirt', 'hole', 'blister'],
  },
  corner: {
    base: 0.5,
    why: 'Water and dirt collect in the lower corners.',
    lookFor: ['blister', 'pinholes', 'hole', 'filler', 'old-patch'],
  },
  arch: {
    base: 0.6,
    why: 'The wheel throws wet grit into the folded lip.',
    lookFor: ['blister', 'pinholes', 'hole', 'filler', 'packed-dirt'],
  },
  trim: {
    base: 0.4,
    why: 'Moisture stays behind trim, and its holes are bare at the edge.',
    lookFor: ['blister', 'hole', 'stray-hole'],
  },
  seam: {
    base: 0.4,
    why: 'Two sheets and a crack between them: rust starts where no paint reached.',
    lookFor: ['blister', 'pinholes', 'filler-over-hole', 'poor-weld', 'old-patch'],
  },
  hollow: {
    base: 0.7,
    why: 'A closed hollow is rarely coated inside; its ends go first.',
    lookFor: ['hole', 'blister', 'flaking', 'packed-dirt', 'old-patch', 'filler-over-hole'],
  },
};

const CLIMATE: Readonly<Record<Climate, number>> = { dry: 0.55, temperate: 0.85, wet: 1.1, coast: 1.2 };
/** By what a past multiplies the risk of a kind. */
const PAST: Readonly<Record<PastId, Partial<Record<Kind, number>>>> = {
  repaired: { seam: 1.4, corner: 1.3, arch: 1.2, mount: 1.15 },
  outside: { drain: 1.2, corner: 1.1, hollow: 1.1 },
  undersealed: { mount: 1.15, hollow: 1.1, seam: 1.15 },
  flooded: { hollow: 1.3, drain: 1.3, mount: 1.1 },
  crashed: { seam: 1.3, mount: 1.2 },
};

/**
 * Where should somebody look first on this body? Places from the body itself (mounts, drains,
 * lower corners, arch lips, trim holes, seams, ends of hollows), ordered by how likely damage
 * is there for its climate, age and past, load-bearing ones first; about equal ones in the
 * order in which one goes around the car.
 *
 * @param age years since it was built, 0 to 200; limits of the house, the usual ones where left out
 */
export function walkRound({
  plan,
  climate,
  age,
  past,
  limits = usualLimits,
}: {
  plan: BodyPlan;
  climate: Climate;
  age: number;
  past: readonly PastId[];
  limits?: Pick<Limits, 'mountRadius'>;
}): WalkPlace[] {
  const ageing = Math.min(1.2, 0.6 + Math.max(0, age) / 80);
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const places = placesOf(plan).map(({ kind, ...place }): WalkPlace => {
    const { base, why, lookFor } = KINDS[kind];
    const lived = past.reduce((factor, id) => factor * (PAST[id][kind] ?? 1), 1);
    const { exposure, ...rest } = place;
    // Every factor counts as so many more chances for the rust: none of them alone makes it certain.
    const structural = carriesLoad(panels.get(place.panel)!, place.at, limits);
    return {
      ...rest,
      structural,
      why,
      lookFor,
      risk: 1 - (1 - base) ** (CLIMATE[climate] * ageing * lived * exposure),
    };
  });
  const worst = places.sort((a, b) => urgency(b) - urgency(a) || (a.id < b.id ? -1 : 1)).slice(0, MOST_PLACES);
  // The worst come first, but among places that are about as bad one goes once around the car.
  const way = wayAround(plan);
  return worst.sort((a, b) => Math.round(urgency(b) * 4) - Math.round(urgency(a) * 4) || way(a) - way(b));
}

const urgency = (place: WalkPlace) => place.risk + (place.structural ? 0.1 : 0);

/** Order of places on the way around: view by view as the plan lists them, from left to right in each. */
function wayAround(plan: BodyPlan): (place: WalkPlace) => number {
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const views = plan.views.map((view) => view.id);
  return ({ panel, at }) => {
    const { view, placement, side } = panels.get(panel)!;
    return views.indexOf(view) * 1e6 + (side === 'right' ? 5e5 : 0) + placement[0] + at[0];
  };
}

/** Share of the risk that has been looked at, 0 to 1: risky places count for more. */
export function walkCoverage(places: readonly WalkPlace[], looked: ReadonlySet<string>): number {
  const total = places.reduce((sum, place) => sum + place.risk, 0);
  return total === 0 ? 0 : places.reduce((sum, place) => sum + (looked.has(place.id) ? place.risk : 0), 0) / total;
}

/** Places of a plan; it does not change, and a walk asks for them again and again. */
const drafts = new WeakMap<BodyPlan, readonly Draft[]>();
function placesOf(plan: BodyPlan): readonly Draft[] {
  const known = drafts.get(plan) ?? [...plan.panels.flatMap(panelPlaces), ...seamPlaces(plan)];
  drafts.set(plan, known);
  return known;
}

type Draft = Omit<WalkPlace, 'why' | 'lookFor' | 'risk' | 'structural'> & { kind: Kind; exposure: number };

function panelPlaces(panel: Panel): Draft[] {
  // Low on the car and facing the road is worse; the roof is nearly spared.
  const exposure = /roof|bonnet|hood|boot-lid|cowl/.test(panel.id) ? 0.5 : /pillar|cant/.test(panel.id) ? 0.75 : 1;
  const draft = (kind: Kind, name: string, title: string, at: Point, weight = 1): Draft => ({
    id: `${panel.id}/${name}`,
    panel: panel.id,
    layer: panel.layers[0]!.id,
    at,
    title: `${title}, ${panel.name.toLowerCase()}`,
    kind,
    exposure: exposure * weight,
  });
  const hollow = panel.layers.length > 1 && panel.structural;
  const [first, last] = lowerCorners(panel);
  return [
    ...panel.mounts.map((mount) => draft('mount', mount.id, mount.name, mount.at)),
    ...panel.holes
      .filter((hole) => hole.kind === 'drain')
      .map((hole) => draft('drain', hole.id, hole.name, centroid(hole.outline), hollow ? 1.1 : 0.9)),
    ...(panel.visible || hollow
      ? [
          draft(hollow ? 'hollow' : 'corner', 'low-left', hollow ? 'Left-hand end' : 'Lower left corner', first),
          draft(hollow ? 'hollow' : 'corner', 'low-right', hollow ? 'Right-hand end' : 'Lower right corner', last),
        ]
      : []),
    ...panel.flanges
      .filter((flange) => /arch/.test(flange.id))
      .map((flange) => draft('arch', flange.id, flange.name, onSheet(panel, highest(flange.outline)))),
    ...panel.holes
      .filter((hole) => /trim/i.test(hole.name))
      .slice(0, 1)
      .map((hole) => draft('trim', hole.id, 'Behind the trim', centroid(hole.outline))),
  ];
}

/** The two lowest places at the ends of a panel, a hand's breadth in from the corner. */
function lowerCorners(panel: Panel): [Point, Point] {
  const box = boxOf(panel.outline);
  const score = (p: Point, left: boolean) => (left ? p[0] : box.maxU - p[0]) / box.maxU + p[1] / box.maxV;
  const pick = (left: boolean) =>
    panel.outline.reduce((best, p) => (score(p, left) < score(best, left) ? p : best), panel.outline[0]!);
  return [onSheet(panel, pick(true)), onSheet(panel, pick(false))];
}

const highest = (ring: readonly Point[]): Point => ring.reduce((best, p) => (p[1] > best[1] ? p : best), ring[0]!);

/** The sheets of a panel that have a hand's breadth of metal around them, or as much as it is wide enough for. */
const roomy = new WeakMap<Panel, readonly Polygon[]>();
function roomyOf(panel: Panel): readonly Polygon[] {
  const known = roomy.get(panel);
  if (known) return known;
  const thinned = simplifyRing(panel.outline, 2);
  const inner =
    [40, 25, 12, 5].map((room) => offset([[thinned]], -room, 'miter').polygons).find((p) => p.length > 0) ?? [];
  roomy.set(panel, inner);
  return inner;
}

/** The place moved onto the sheet, with metal around it. */
function onSheet(panel: Panel, p: Point): Point {
  const inner = roomyOf(panel);
  if (inner.length === 0) return centroid(panel.outline);
  if (inner.some((polygon) => inPolygon(p, polygon))) return p;
  return inner.map((polygon) => nearestOn(p, polygon[0]!)).reduce((a, b) => (between(b, p) < between(a, p) ? b : a));
}

const nearestOn = (p: Point, ring: readonly Point[]): Point =>
  ring
    .map((a, i) => nearestOnSegment(p, a, ring[(i + 1) % ring.length]!))
    .reduce((a, b) => (between(b, p) < between(a, p) ? b : a));

/** The lower end of every welded seam that is long enough to matter. */
function seamPlaces(plan: BodyPlan): Draft[] {
  return plan.seams
    .filter((seam) => seam.kind === 'spot' && lineLength(seam.sides[0].line) > 150)
    .flatMap((seam): Draft[] => {
      const side = seam.sides[0];
      const panel = plan.panels.find((candidate) => candidate.id === side.panel);
      if (!panel) return [];
      const length = lineLength(side.line);
      const [start, end] = [pointAt(side.line, length * 0.12), pointAt(side.line, length * 0.88)];
      const low = Math.abs(start[1] - end[1]) < 20 ? pointAt(side.line, length / 2) : start[1] < end[1] ? start : end;
      return [
        {
          id: `seam/${seam.id}`,
          panel: panel.id,
          layer: panel.layers[0]!.id,
          at: onSheet(panel, low),
          title: `Seam: ${seam.name.toLowerCase()}`,
          kind: 'seam',
          exposure: 1,
        },
      ];
    });
}
