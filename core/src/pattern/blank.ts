import { finite, list } from '../check.ts';
import type { Material } from '../body/index.ts';
import {
  area,
  boxOf,
  circle,
  clipAll,
  convexHull,
  inPolygon,
  inRing,
  lineLength,
  minimumWidth,
  offset,
  signedArea,
  simpleRing,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { isInSheet, type ClosedJoint } from '../repair/index.ts';
import { MATERIALS } from '../weld/index.ts';
import { grainOf, longAcross } from './extent.ts';
import { partsAround, type Part } from './parts.ts';
import { beside, slitsOf, stripOf, tabsOf } from './strip.ts';
import { turnsOf, type KnownTurn, type Turn, type TurnChoice } from './turns.ts';

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
  /** It is cut from a bought panel, whose own edges come with it. */
  bought?: boolean;
  /** Folded strips that are drawn in the sheet already: their metal is there, only their bend is marked. */
  strips?: readonly { name: string; outline: Ring }[];
  /** Outline of the panel on whose edge they lie; the piece itself where it is left out. */
  panel?: Ring;
  /** The whole of which this piece is a section; the piece itself where it goes in whole. */
  whole?: Ring;
  /** Drains, holes and openings that lie in the piece, mm; one across the seam of two sections is cut out of both. */
  holes?: readonly { name: string; outline: Ring }[];
  /** Captive nuts, locating holes and mounts that sit in it or in its flanges, mm. */
  fittings?: readonly Fitting[];
}

/** What sits in a piece: a hole to drill, or a place that is only marked. */
export interface Fitting {
  name: string;
  at: Point;
  /** mm; 0 where nothing is drilled. */
  diameter: number;
}

export interface BlankEdge extends KnownTurn {
  joint: number;
  /** Metal beyond the edge on the flat sheet, mm: the width less what the bend saves. */
  reach: number;
  /** The strip is in the sheet already. */
  inSheet: boolean;
  tabs: number;
  /** Most by which the free edge has to be shrunk (below 0) or stretched where it is left whole, as a share. */
  strain: number;
}

/** Where an edge is set down by the thickness of its neighbour, so that both faces are flush. */
export interface BlankStep {
  line: Point[];
  joint: number;
  /** mm */
  depth: number;
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
  /** Where edges are joggled: set down along here. */
  steps: BlankStep[];
  fittings: Fitting[];
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
  const { joints, thickness, material } = input;
  finite('thickness', thickness, { above: 0, max: 20, unit: 'mm' });
  finite('radius', input.radius, { min: 0, max: 50, unit: 'mm' });
  finite('gap', input.gap, { min: 0, max: 10, unit: 'mm' });
  finite('trim', input.trim, { min: 0, max: 200, unit: 'mm' });
  const turns = turnsOf(joints, input.choices ?? [], input.bought);
  const parts = partsAround(turns, input);
  const grown = parts.filter(({ reach }) => reach > 0);
  const added = grown.flatMap(({ run, reach, tabs, drawn }) =>
    tabs > 1 && run.sweep > 0 ? tabsOf(run.line, reach, tabs, drawn) : [stripOf(run.line, reach, drawn)],
  );
  const solid = clipAll('union', [[piece], ...added], []).polygons;
  const fittings = fittingsOn(solid, input.fittings ?? []);
  const { whole = piece } = input;
  const holes = (input.holes ?? []).filter(
    ({ outline }) =>
      outline.every((p) => inRing(p, whole)) && clipAll('intersection', [[piece]], [[outline]]).polygons.length > 0,
  );
  const taken = [
    ...holes.map(({ outline }): Polygon => [outline]),
    ...fittings.flatMap(({ at, diameter }): Polygon[] => (diameter > 0 ? [[circle(at, diameter / 2)]] : [])),
    ...parts
      .filter(({ reach }) => reach < 0)
      .map(({ run, reach }): Polygon => [[...run.line, ...beside(run.line, reach).reverse()]]),
  ];
  const [blank, ...others] = (taken.length > 0 ? clipAll('difference', solid, taken).polygons : solid)
    .map((one) => ({ one, size: area(one) }))
    .sort((a, b) => b.size - a.size);
  if (!blank || others.some(({ size }) => size > blank.size / 50))
    refuse('in-pieces', 'piece', 'What is taken off this piece cuts it apart; make the gap or the holes smaller.');
  const closed = closedHairs(blank!.one);
  const ring = closed[0]!;
  const size = area(closed);
  const { minU, maxU, minV, maxV } = boxOf(ring);
  const { width: narrow, angle } = minimumWidth({ a: [convexHull(ring)] });
  return {
    blank: closed,
    bends: parts.flatMap(bendsOf),
    slits: grown.flatMap(({ run, reach, tabs, drawn }) =>
      tabs > 1 && run.sweep < 0 ? slitsOf(run.line, reach, tabs, drawn) : [],
    ),
    marks: parts.filter(({ turn, reach }) => reach > 0 && turn.angle === 0).map(({ run }) => [...run.line]),
    steps: parts.flatMap(({ joint, turn, run }) => {
      const { kind, closing } = joints[joint]!;
      return isInSheet({ kind }) && closing === 'joggle' && turn.width > 0
        ? [{ line: [...run.line], joint, depth: thickness }]
        : [];
    }),
    fittings,
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

/** @throws Problem for one that lies beyond the piece and its flanges */
function fittingsOn(solid: readonly Polygon[], fittings: readonly Fitting[]): Fitting[] {
  fittings.forEach(({ name, at, diameter }, i) => {
    finite(`fittings[${i}].diameter`, diameter, { min: 0, max: 200, unit: 'mm' });
    if (!solid.some((polygon) => inPolygon(at, polygon)))
      refuse(
        'off-piece',
        `fittings[${i}].at`,
        `“${name}” lies beyond the piece: measure it from the left end and the lower edge of the piece.`,
      );
  });
  return [...fittings];
}

/** mm. A wedge narrower than that is no cut: a saw could not follow it. */
const HAIR = 0.2;
/** The same blank with the hairs closed that run to nothing between two tabs. */
function closedHairs(blank: Polygon): Polygon {
  const wide = offset([blank], HAIR / 2, 'miter').polygons;
  return offset(wide, -HAIR / 2, 'miter').polygons[0] ?? blank;
}

function anticlockwisePiece({ piece, joints }: BlankInput): Ring {
  const ring = simpleRing('piece', piece);
  list('joints', joints, 1, 500);
  if (signedArea(ring) < 0) refuse('clockwise', 'piece', 'The corners of the piece are given anticlockwise.');
  return ring;
}

const bendsOf = ({ joint, turn, run, fold, reach, middle, drawn }: Part): BlankBend[] => {
  if (turn.angle === 0 || (reach <= 0 && !fold)) return [];
  const line = fold ?? beside(run.line, middle);
  if (line.length < 2) return [];
  return [{ line: [...line], joint, angle: turn.angle, way: turn.way, length: lineLength(line) - drawn[0] - drawn[1] }];
};
