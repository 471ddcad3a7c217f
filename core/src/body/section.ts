import { boxOf, centroid, type Point } from '../geometry/index.ts';
import type { BodyPlan, Cavity, Hole, Panel } from './types.ts';

/** One sheet of a cross-section, as [depth inwards, v], mm. */
export interface SectionSheet {
  layer: string;
  line: readonly Point[];
}

/** A cut through a panel at one u: its sheets, the hollows between them and what drains them. */
export interface Section {
  u: number;
  sheets: SectionSheet[];
  hollows: { cavity: Cavity; between: readonly [string, string]; nearest: { drain: Hole; along: number }[] }[];
}

/** mm. Depth of a hollow whose shape the plan does not tell. */
const USUAL_DEPTH = 55;
/** Points of one sheet: close enough to colour what was read every few mm. */
const POINTS = 41;

/**
 * What would a saw see at this place? The sheets of the panel from outside to inside, the
 * hollows between them, and for each hollow its drains with how far along they lie.
 *
 * @param u mm along the panel, inside its length
 */
export function sectionAt(plan: BodyPlan, panel: Panel, u: number): Section {
  const box = boxOf(panel.outline);
  const place = Math.min(box.maxU, Math.max(0, u));
  const sheets = panel.layers.map((layer, i) => ({
    layer: layer.id,
    line: resampled(panel.section?.[layer.id] ?? usual(i, panel.layers.length, box.maxV)),
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
  return { u: place, sheets, hollows };
}

/** Outer sheet bulges out, inner one in, what lies between is flat; all meet at the two flanges. */
function usual(i: number, count: number, height: number): Point[] {
  const lean = count === 1 ? 0 : (2 * i) / (count - 1) - 1;
  const depth = lean * USUAL_DEPTH;
  const foot = Math.min(14, height / 6);
  return [
    [0, 0],
    [0, foot],
    [depth, foot + Math.abs(depth) * 0.35],
    [depth, height - foot - Math.abs(depth) * 0.35],
    [0, height - foot],
    [0, height],
  ];
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
