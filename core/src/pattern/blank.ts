import { finite, list } from '../check.ts';
import type { Material } from '../body/index.ts';
import {
  along,
  area,
  boxOf,
  clipAll,
  convexHull,
  inRing,
  lineLength,
  minimumWidth,
  minus,
  offset,
  plus,
  scaled,
  signedArea,
  simpleRing,
  toRing,
  unit,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { ClosedJoint } from '../repair/index.ts';
import { flange, profile } from '../shape/index.ts';
import { MATERIALS } from '../weld/index.ts';
import { SHARP, beside, slitsOf, smoothRuns, stripOf, tabsOf, type SmoothRun, within } from './strip.ts';
import { turnsOf, type Turn, type TurnChoice } from './turns.ts';

export interface BlankInput {
  /** The piece as it sits in the body, along its final line, mm. */
  piece: Ring;
  joints: readonly ClosedJoint[];
  thickness: number;
  material: Material;
  /** Inside radius of its bends, mm. */
  radius: number;
  /** Gap left at butted edges, mm. */
  gap: number;
  /** mm left on at butted edges, to be trimmed when the piece is held in place (T-03). */
  trim: number;
  choices?: readonly TurnChoice[];
  /** Folded strips that are drawn in the sheet already: their metal is there, only their bend is marked. */
  strips?: readonly { name: string; outline: Ring }[];
  /** Outline of the panel on whose edge they lie; the piece itself where it is left out. */
  panel?: Ring;
  /** Drains, holes and openings that lie in the piece, mm. */
  holes?: readonly { name: string; outline: Ring }[];
}

export interface BlankEdge extends Turn {
  joint: number;
  chosen: boolean;
  /** Metal beyond the edge on the flat sheet, mm: the width less what the bend saves. */
  reach: number;
  /** The strip is in the sheet already. */
  inSheet: boolean;
  tabs: number;
  /** Most by which the free edge has to be shrunk (below 0) or stretched where it is left whole, as a share. */
  strain: number;
}

export interface BlankBend {
  line: Point[];
  joint: number;
  angle: number;
  way: Turn['way'];
  /** Length of the bend along the fold, mm. */
  length: number;
}

/** What is cut from flat sheet for a piece. */
export interface Blank {
  /** Outer ring, then holes. */
  blank: Polygon;
  bends: BlankBend[];
  slits: [Point, Point][];
  /** The final line where metal is left on beyond it, or lies under its neighbour. */
  marks: Point[][];
  edges: BlankEdge[];
  /** Names of what is cut out of the middle. */
  holes: string[];
  /** mm² */
  area: number;
  /** g */
  mass: number;
  /** The smallest upright and the smallest turned piece of sheet, mm. */
  box: { width: number; height: number };
  least: { width: number; height: number };
  /** Rolling direction, through the middle. */
  grain: [Point, Point];
}

/** Above that a flange is slit into tabs: shrinking and stretching by hand go no further in one go (common practice, no published source). */
const STRAIN_BY_HAND = 0.04;
/** mm along the fold (T-24). */
const TAB = 45;

/**
 * Which blank gives this piece, with all that goes on beyond its edges? Butted edges keep their gap,
 * laps and joggles lie under their neighbour, flanges and hems are added with what their bend takes,
 * slit into tabs where the edge is too round to be folded whole.
 *
 * @param input lengths mm; joints cover the piece in its order
 * @returns rings and lines in the place of the piece, mm; area mm², mass g
 * @throws Problem naming the field: a flange that its bend does not leave room for, a blank in two parts
 * Source: bends after DIN 6935 (see profile); tabs and widths common practice (T-24, T-36, T-40).
 * @example blankOf({ piece: [[0, 0], [300, 0], [300, 200], [0, 200]], joints: [{ kind: 'fold', name: 'lower edge', length: 300, fasteners: 0, line: [[0, 0], [300, 0]], closing: 'make', welds: 0, chosen: false, counted: false, height: 20 }], thickness: 1, material: 'steel', radius: 1, gap: 0, trim: 0 }).box.height.toFixed(1) // → "217.9"
 */
export function blankOf(input: BlankInput): Blank {
  const piece = anticlockwisePiece(input);
  const { joints, thickness, radius, material, strips = [] } = input;
  finite('thickness', thickness, { above: 0, max: 20, unit: 'mm' });
  finite('radius', radius, { min: 0, max: 50, unit: 'mm' });
  finite('gap', input.gap, { min: 0, max: 10, unit: 'mm' });
  finite('trim', input.trim, { min: 0, max: 200, unit: 'mm' });
  const turns = turnsOf(joints, input.choices ?? []);
  const parts = turns.flatMap((turn, joint) => partsOf({ turn, joint, input, strips }));
  drawIn(parts);
  const grown = parts.filter(({ reach }) => reach > 0);
  const added = grown.flatMap(({ run, reach, tabs, drawn }) =>
    tabs > 1 && run.sweep > 0 ? tabsOf(run.line, reach, tabs, drawn) : [stripOf(run.line, reach, drawn)],
  );
  const solid = clipAll('union', [[piece], ...added], []).polygons;
  const holes = (input.holes ?? []).filter(({ outline }) => outline.every((p) => inRing(p, piece)));
  const taken = [
    ...holes.map(({ outline }): Polygon => [outline]),
    ...parts
      .filter(({ reach }) => reach < 0)
      .map(({ run, reach }): Polygon => [[...run.line, ...beside(run.line, reach).reverse()]]),
  ];
  const [blank, ...others] = (taken.length > 0 ? clipAll('difference', solid, taken).polygons : solid)
    .map((one) => ({ one, size: area(one) }))
    .sort((a, b) => b.size - a.size);
  if (!blank || others.some(({ size }) => size > blank.size / 50))
    refuse('in-pieces', 'piece', 'What is taken off this piece cuts it apart; make the gap or the holes smaller.');
  const whole = closedHairs(blank!.one);
  const ring = whole[0]!;
  const size = area(whole);
  const { minU, maxU, minV, maxV } = boxOf(ring);
  const { width: narrow, angle } = minimumWidth({ a: [convexHull(ring)] });
  return {
    blank: whole,
    bends: parts.flatMap(bendsOf),
    slits: grown.flatMap(({ run, reach, tabs, drawn }) =>
      tabs > 1 && run.sweep < 0 ? slitsOf(run.line, reach, tabs, drawn) : [],
    ),
    marks: parts.filter(({ turn, reach }) => reach > 0 && turn.angle === 0).map(({ run }) => [...run.line]),
    edges: turns.map((turn, joint): BlankEdge => {
      const own = parts.filter((one) => one.joint === joint);
      return {
        ...turn,
        joint,
        reach: own[0]?.reach ?? 0,
        inSheet: own.some(({ fold }) => fold !== undefined),
        tabs: own.reduce((sum, { tabs }) => sum + (tabs > 1 ? tabs : 0), 0),
        strain: own.reduce((most, { strain }) => (Math.abs(strain) > Math.abs(most) ? strain : most), 0),
      };
    }),
    holes: holes.map(({ name }) => name),
    area: size,
    // mm³ at kg/m³ are millionths of a gram.
    mass: (size * thickness * MATERIALS[material].density) / 1e6,
    box: { width: maxU - minU, height: maxV - minV },
    least: { width: longAcross(ring, angle), height: narrow },
    grain: grainOf(ring, angle),
  };
}

/** mm. A wedge narrower than that is no cut: a saw could not follow it. */
const HAIR = 0.2;
/** The same blank with the hairs closed that run to nothing between two tabs. */
function closedHairs(blank: Polygon): Polygon {
  const wide = offset([blank], HAIR / 2, 'miter').polygons;
  return offset(wide, -HAIR / 2, 'miter').polygons[0] ?? blank;
}

interface Part {
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

function anticlockwisePiece({ piece, joints }: BlankInput): Ring {
  const ring = simpleRing('piece', piece);
  list('joints', joints, 1, 500);
  if (signedArea(ring) < 0) refuse('clockwise', 'piece', 'The corners of the piece are given anticlockwise.');
  return ring;
}

function partsOf({
  turn,
  joint,
  input,
  strips,
}: {
  turn: Turn;
  joint: number;
  input: BlankInput;
  strips: NonNullable<BlankInput['strips']>;
}): Part[] {
  const { thickness, radius, gap, trim, joints } = input;
  const { line, kind, name } = joints[joint]!;
  // A weld within the sheet of a whole panel is no edge of it.
  if (!line.every((p) => toRing(p, input.piece) < 1)) return [];
  const base = { joint, turn, middle: 0, tabs: 1, strain: 0, setback: 0 };
  const part = (run: SmoothRun, over: Partial<Part>): Part => ({ ...base, run, reach: 0, drawn: [0, 0], ...over });
  const runs = smoothRuns(line);
  if (turn.width === 0) return runs.map((run) => part(run, { reach: kind === 'cut' ? trim || -gap : 0 }));
  if (turn.angle === 0) return runs.map((run) => part(run, { reach: turn.width }));
  const { reach, middle, setback } = bentReach(turn, { thickness, radius, name });
  return runs.map((run) => {
    const inSheet = strips.find(({ outline }) => run.line.every((p) => toRing(p, outline) < 1));
    if (inSheet)
      return part(run, { fold: within(foldIn(inSheet.outline, input.panel ?? input.piece), input.piece), setback });
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

const bendsOf = ({ joint, turn, run, fold, reach, middle, drawn }: Part): BlankBend[] => {
  if (turn.angle === 0 || (reach <= 0 && !fold)) return [];
  const line = fold ?? beside(run.line, middle);
  if (line.length < 2) return [];
  return [{ line: [...line], joint, angle: turn.angle, way: turn.way, length: lineLength(line) - drawn[0] - drawn[1] }];
};

/** Extent along the direction in which a ring is narrowest across. */
function longAcross(ring: Ring, angle: number): number {
  const [along, across] = axes(angle);
  const extent = (axis: Point) => {
    const at = ring.map(([u, v]) => u * axis[0] + v * axis[1]);
    return Math.max(...at) - Math.min(...at);
  };
  return Math.max(extent(along), extent(across));
}
const axes = (angle: number): [Point, Point] => {
  const a = (angle * Math.PI) / 180;
  return [
    [Math.cos(a), Math.sin(a)],
    [-Math.sin(a), Math.cos(a)],
  ];
};

/** Along the longer side: folds across the rolling direction crack less, and most folds of a long piece run along it, so it is marked, not forced. */
function grainOf(ring: Ring, angle: number): [Point, Point] {
  const { minU, maxU, minV, maxV } = boxOf(ring);
  const middle: Point = [(minU + maxU) / 2, (minV + maxV) / 2];
  const [a, b] = axes(angle);
  const extent = (axis: Point) => {
    const at = ring.map(([u, v]) => u * axis[0] + v * axis[1]);
    return Math.max(...at) - Math.min(...at);
  };
  const [long, size] = extent(a) >= extent(b) ? [a, extent(a)] : [b, extent(b)];
  const half = scaled(unit(long), size / 6);
  return [minus(middle, half), plus(middle, half)];
}
