import { boxOf, centroid, toLine, type Point, type Polygon } from '../geometry/index.ts';
import type { BodyPlan, Cavity, Hole, Panel } from './types.ts';
import { sheetOf } from './sheet.ts';

/** One sheet of a cross-section: a line for each stretch of metal, as [depth inwards, v], mm. */
export interface SectionSheet {
  layer: string;
  lines: readonly (readonly Point[])[];
}

/** A cut through a panel at one u: its sheets, what is open between them, the hollows and what drains them. */
export interface Section {
  u: number;
  sheets: SectionSheet[];
  /** Openings that the cut crosses, from v to v: a window between its two rails. */
  open: { name: string; from: number; to: number }[];
  hollows: { cavity: Cavity; between: readonly [string, string]; nearest: { drain: Hole; along: number }[] }[];
}

/** mm. Depth of a hollow whose shape the plan does not tell. */
const USUAL_DEPTH = 55;
/** Points of one sheet: close enough to colour what was read every few mm. */
const POINTS = 41;
/** mm. An end of the metal this near to a seam or a flange is one where the sheets meet. */
const AT_EDGE = 20;

/**
 * What would a saw see at this place? The sheets of the panel from outside to inside, stretch
 * by stretch where openings lie between, the hollows, and for each hollow its drains with how far along they lie.
 *
 * @param u mm along the panel, inside its length
 */
export function sectionAt(plan: BodyPlan, panel: Panel, u: number): Section {
  const box = boxOf(panel.outline);
  const place = Math.min(box.maxU, Math.max(0, u));
  const rails = railsAt(sheetOf(panel), place);
  const sheets = panel.layers.map((layer, i): SectionSheet => ({
    layer: layer.id,
    lines: rails.map(([from, to]) => {
      const told = panel.section?.[layer.id];
      // What lies between openings is a part of the shape that is told for the whole height.
      const own = told && (rails.length === 1 ? resampled(told) : within(resampled(told), from, to));
      // A shape that is told for the whole height says nothing of a rail that it does not reach.
      if (own && own.length > 1) return own;
      const meets = { from: meetsAt(plan, panel, [place, from]), to: meetsAt(plan, panel, [place, to]) };
      return resampled(usual(i, panel.layers.length, from, to, meets));
    }),
  }));
  const hollows = plan.cavities.flatMap((cavity) => {
    const own = cavity.walls.filter((wall) => wall.panel === panel.id);
    if (own.length < 2) return [];
    const drains = panel.holes.filter((hole) => hole.kind === 'drain' && cavity.drains.includes(hole.id));
    return [
      {
        cavity,
        between: [own[0]!.layer, own[1]!.layer] as const,
        nearest: drains
          .map((drain) => ({ drain, along: centroid(drain.outline)[0] - place }))
          .sort((a, b) => Math.abs(a.along) - Math.abs(b.along)),
      },
    ];
  });
  const open = rails.slice(1).map(([to], i) => {
    const from = rails[i]![1];
    const middle: Point = [place, (from + to) / 2];
    const opening = panel.holes.find(({ kind, outline }) => kind === 'opening' && crosses(outline, middle));
    return { name: opening?.name ?? 'open', from, to };
  });
  return { u: place, sheets, open, hollows };
}

/** Stretches of metal that an upright line crosses, from below. */
function railsAt(sheet: Polygon, u: number): [number, number][] {
  const at = sheet
    .flatMap((ring) =>
      ring.flatMap((a, i): number[] => {
        const b = ring[(i + 1) % ring.length]!;
        // Half-open, so that a corner on the line counts once.
        if (a[0] <= u === b[0] <= u) return [];
        return [a[1] + ((b[1] - a[1]) * (u - a[0])) / (b[0] - a[0])];
      }),
    )
    .sort((a, b) => a - b);
  const rails: [number, number][] = [];
  for (let i = 0; i + 1 < at.length; i += 2) if (at[i + 1]! - at[i]! > 1) rails.push([at[i]!, at[i + 1]!]);
  if (rails.length > 0) return rails;
  // At the very end of a panel an upright line may only touch it.
  const { minV, maxV } = boxOf(sheet[0]!);
  return [[minV, maxV]];
}

const crosses = (ring: Panel['outline'], [u, v]: Point) => {
  const { minU, maxU, minV, maxV } = boxOf(ring);
  return u >= minU && u <= maxU && v >= minV && v <= maxV;
};

/** Do the sheets meet at this end of the metal: is there a seam or a flange? */
function meetsAt(plan: BodyPlan, panel: Panel, at: Point): boolean {
  const seams = plan.seams.flatMap(({ sides }) => sides.filter((side) => side.panel === panel.id));
  return (
    seams.some(({ line }) => toLine(at, line) < AT_EDGE) ||
    panel.flanges.some(({ outline }) => toLine(at, [...outline, outline[0]!]) < AT_EDGE)
  );
}

/** Outer sheet bulges out, inner one in, what lies between is flat; they meet where there is a flange. */
function usual(i: number, count: number, from: number, to: number, meets: { from: boolean; to: boolean }): Point[] {
  const lean = count === 1 ? 0 : (2 * i) / (count - 1) - 1;
  const height = to - from;
  const depth = lean * Math.min(USUAL_DEPTH, height / 2);
  const foot = Math.min(14, height / 6);
  const slope = Math.min(Math.abs(depth) * 0.35, height / 4);
  const end = (v: number, inwards: 1 | -1, met: boolean): Point[] =>
    met
      ? [
          [0, v],
          [0, v + inwards * foot],
          [depth, v + inwards * (foot + slope)],
        ]
      : [[depth, v]];
  return [...end(from, 1, meets.from), ...end(to, -1, meets.to).reverse()];
}

/** The part of a line that lies between two heights. */
function within(line: readonly Point[], from: number, to: number): Point[] {
  return line.filter(([, v]) => v >= from - 1 && v <= to + 1);
}

function resampled(line: readonly Point[]): Point[] {
  const lengths = line.slice(1).map((p, i) => Math.hypot(p[0] - line[i]![0], p[1] - line[i]![1]));
  const whole = lengths.reduce((sum, x) => sum + x, 0);
  return Array.from({ length: POINTS }, (_, k): Point => {
    let left = (whole * k) / (POINTS - 1);
    let i = 0;
    while (i < lengths.length - 1 && left > lengths[i]!) left -= lengths[i++]!;
    const share = lengths[i]! === 0 ? 0 : Math.min(1, left / lengths[i]!);
    return [
      line[i]![0] + (line[i + 1]![0] - line[i]![0]) * share,
      line[i]![1] + (line[i + 1]![1] - line[i]![1]) * share,
    ];
  });
}
