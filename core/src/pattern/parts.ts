import { along, minus, toRing, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { isInSheet, type ClosedJoint } from '../repair/index.ts';
import { flange, profile } from '../shape/index.ts';
import { SHARP, smoothRuns, within, type SmoothRun } from './strip.ts';
import type { Turn } from './turns.ts';

/** Above that a flange is slit into tabs: shrinking and stretching by hand go no further in one go (common practice, no published source). */
const STRAIN_BY_HAND = 0.04;
/** mm along the fold (T-24). */
const TAB = 45;

/** What the parts of an edge follow from; lengths mm. */
export interface Around {
  piece: Ring;
  joints: readonly ClosedJoint[];
  thickness: number;
  radius: number;
  gap: number;
  trim: number;
  strips?: readonly { name: string; outline: Ring }[] | undefined;
  panel?: Ring | undefined;
}

/** A run of an edge with what goes on beyond it. */
export interface Part {
  joint: number;
  turn: Turn;
  run: SmoothRun;
  /** mm beyond the line; below 0: taken off. */
  reach: number;
  /** Middle of the bend beyond the line, mm. */
  middle: number;
  /** Where the fold runs when it is drawn in the sheet already. */
  fold?: Point[] | undefined;
  tabs: number;
  strain: number;
  drawn: [number, number];
  setback: number;
}

/** Every edge as the runs between its sharp corners, each with what goes on beyond it; where two meet, neither is in the other's way. */
export function partsAround(turns: readonly Turn[], around: Around): Part[] {
  const parts = turns.flatMap((turn, joint) => partsOf(turn, joint, around));
  drawIn(parts);
  return parts;
}

function partsOf(turn: Turn, joint: number, around: Around): Part[] {
  const { piece, panel = piece, thickness, radius, gap, trim, joints, strips = [] } = around;
  const { line, kind, name } = joints[joint]!;
  // A weld within the sheet of a whole panel is no edge of it.
  if (!line.every((p) => toRing(p, piece) < 1)) return [];
  const base = { joint, turn, middle: 0, tabs: 1, strain: 0, setback: 0 };
  const part = (run: SmoothRun, over: Partial<Part>): Part => ({ ...base, run, reach: 0, drawn: [0, 0], ...over });
  const runs = smoothRuns(line);
  if (turn.width === 0) return runs.map((run) => part(run, { reach: isInSheet({ kind }) ? trim || -gap : 0 }));
  // The slope of a joggle takes a little more than it covers.
  const slope = isInSheet({ kind }) && joints[joint]!.closing === 'joggle' ? thickness * (Math.SQRT2 - 1) : 0;
  if (turn.angle === 0) return runs.map((run) => part(run, { reach: turn.width + slope }));
  const { reach, middle, setback } = bentReach(turn, { thickness, radius, name });
  return runs.map((run) => {
    const inSheet = strips.find(({ outline }) => run.line.every((p) => toRing(p, outline) < 1));
    if (inSheet) return part(run, { fold: within(foldIn(inSheet.outline, panel), piece), setback });
    if (Math.abs(run.sweep) < 1) return part(run, { reach, middle, setback });
    const edgeRadius = (run.length * 180) / (Math.abs(run.sweep) * Math.PI);
    if (run.sweep < 0 && turn.width >= edgeRadius)
      refuse(
        'too-wide',
        'choices',
        `The ${name} is hollow with a radius of ${edgeRadius.toFixed(0)} mm; a flange as wide as that cannot be turned on it. Make it narrower.`,
      );
    const { strain, tabs } = flange({
      height: turn.width,
      edgeRadius,
      side: run.sweep > 0 ? 'shrink' : 'stretch',
      tabPitch: TAB,
      sweep: Math.min(360, Math.abs(run.sweep)),
    });
    return part(run, {
      reach,
      middle,
      setback,
      strain,
      tabs: Math.abs(strain) > STRAIN_BY_HAND ? Math.max(2, tabs) : 1,
    });
  });
}

/** How far a turned edge reaches on the flat sheet, and where its bend lies, mm beyond the line. */
function bentReach(
  { width, angle }: Turn,
  { thickness, radius, name }: { thickness: number; radius: number; name: string },
): { reach: number; middle: number; setback: number } {
  // A leg that is long enough stands for the piece itself.
  const body = 10 * (radius + thickness) + 100;
  const least = angle > 90 ? radius + thickness : (radius + thickness) * Math.tan((angle * Math.PI) / 360);
  if (width < least)
    refuse(
      'too-narrow',
      'choices',
      `The ${name} is to be turned ${width} mm wide; this bend alone takes ${least.toFixed(1)} mm. Make it wider, or the radius smaller.`,
    );
  const { flat, bends } = profile({ thickness, legs: [body, width], bends: [{ angle, radius, turn: 'up' }] });
  return { reach: flat - body, middle: bends[0]!.middle - body, setback: least };
}

/** The inner side of a strip that is drawn in the sheet: what of its outline does not lie on the edge. */
function foldIn(strip: Ring, edge: Ring): Point[] {
  // By the middle of its sides: its ends may lie on the neighbouring edges.
  const inner = strip.map((p, i) => toRing(along(p, strip[(i + 1) % strip.length]!, 0.5), edge) > 1);
  const start = inner.findIndex((is, i) => is && !inner.at(i - 1));
  if (start < 0) return [];
  const turned = [...strip.slice(start), ...strip.slice(0, start)];
  const sides = [...inner.slice(start), ...inner.slice(0, start)];
  const end = sides.findIndex((is) => !is);
  return end < 0 ? turned : turned.slice(0, end + 1);
}

/** Strips that meet at a corner end so that neither is in the other's way when they are folded. */
function drawIn(parts: readonly Part[]): void {
  const turned = parts.filter(({ reach }) => reach > 0);
  for (const a of turned)
    for (const b of turned) {
      const end = a.run.line.at(-1)!;
      const start = b.run.line[0]!;
      if (a === b || Math.hypot(end[0] - start[0], end[1] - start[1]) > 1) continue;
      const [p, q] = [minus(end, a.run.line.at(-2)!), minus(b.run.line[1]!, start)];
      const corner = Math.atan2(p[0] * q[1] - p[1] * q[0], p[0] * q[0] + p[1] * q[1]);
      const hollow = corner < 0 ? Math.tan(Math.min(-corner, 2.8) / 2) : 0;
      const room = (part: Part, by: number) => Math.min(by, part.run.length / 3);
      const relief = (part: Part) =>
        Math.abs(corner) < (SHARP * Math.PI) / 180 && hollow === 0
          ? 0
          : part.turn.angle > 0
            ? Math.max(1, part.setback / 2)
            : 0;
      a.drawn[1] = room(a, Math.max(relief(a), hollow * a.reach));
      b.drawn[0] = room(b, Math.max(relief(b), hollow * b.reach));
    }
}
