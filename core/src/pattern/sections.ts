import { parted } from '../cut/index.ts';
import {
  along,
  cross,
  inRing,
  lineLength,
  minus,
  plus,
  pointAt,
  scaled,
  toRing,
  unit,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import type { ClosedJoint } from '../repair/index.ts';

/** A piece as it goes in: the whole of it, or one of the sections into which it was parted, with the edges that it has. */
export interface Section {
  piece: Ring;
  joints: ClosedJoint[];
}

/** mm. So near a line lies on the edge of a section. */
const ON = 0.5;
/** mm. A corner as near to the line as that lies on it; a flat edge may run beside it for far more. */
const TOUCH = 1e-6;

/**
 * Into which sections is a piece parted along its seams, and which edges has each of them? Every joint is cut
 * where a seam meets it. Of a seam itself the section on its left, seen from its first end to its last, has what
 * goes on beyond it – the lap, the step, the gap; the other one ends there.
 *
 * @param piece outline, anticlockwise, mm
 * @param joints of the whole piece, its seams among them
 * @returns one section where there is no seam
 * @example sectionsOf([[0, 0], [400, 0], [400, 300], [0, 300]], [{ kind: 'seam', name: 'A', length: 300, fasteners: 0, line: [[150, 0], [150, 300]], closing: 'lap', welds: 0, chosen: false, counted: false }]).map(({ joints }) => joints.map(({ kind }) => kind)) // → [["seam"], ["free"]]
 */
export function sectionsOf(piece: Ring, joints: readonly ClosedJoint[]): Section[] {
  const seams = joints.filter(({ kind }) => kind === 'seam');
  if (seams.length === 0) return [{ piece, joints: [...joints] }];
  // A seam in several stretches, beside an opening, lies along one line.
  const lines = [
    ...new Map(seams.map(({ name, line }) => [name, [line[0]!, line.at(-1)!] as [Point, Point]])).values(),
  ];
  const rings = lines
    .reduce<Polygon[]>((parts, line) => parts.flatMap((part) => parted(part, line)), [[piece]])
    .map(([outer]) => outer!);
  return rings.map((ring) => ({
    piece: ring,
    joints: joints.flatMap((joint) =>
      stretchesIn(joint.line, lines)
        .filter((line) => toRing(pointAt(line, lineLength(line) / 2), ring) < ON)
        .map((line) => edgeOf(joint, line, ring)),
    ),
  }));
}

/** The part of a joint that is an edge of this section, in the section's own direction, with its share of what holds it. */
function edgeOf(joint: ClosedJoint, line: Point[], ring: Ring): ClosedJoint {
  const length = lineLength(line);
  const share = joint.length > 0 ? length / joint.length : 1;
  const own = {
    ...{ line, length, fasteners: Math.round(joint.fasteners * share), welds: Math.round(joint.welds * share) },
  };
  if (joint.kind !== 'seam' || liesLeftOf(line, ring)) return { ...joint, ...own };
  return { ...joint, ...own, kind: 'free', closing: 'make', welds: 0, line: [...line].reverse() };
}

/** Whether a section lies on the left of its edge, seen along this line. */
function liesLeftOf(line: readonly Point[], ring: Ring): boolean {
  const [p, q] = [line[0]!, line.at(-1)!];
  const d = unit(minus(q, p));
  return inRing(plus(along(p, q, 0.5), scaled([-d[1], d[0]], 2 * ON)), ring);
}

/** A line cut where others cross it, those being taken beyond their ends. */
function stretchesIn(line: readonly Point[], others: readonly (readonly [Point, Point])[]): Point[][] {
  return others.reduce<Point[][]>((parts, other) => parts.flatMap((part) => cutBy(part, other)), [[...line]]);
}

function cutBy(line: readonly Point[], [a, b]: readonly [Point, Point]): Point[][] {
  const d = unit(minus(b, a));
  const out: Point[][] = [[line[0]!]];
  for (const [i, q] of line.slice(1).entries()) {
    const p = line[i]!;
    const [sp, sq] = [cross(d, minus(p, a)), cross(d, minus(q, a))];
    if ((sp > TOUCH && sq < -TOUCH) || (sp < -TOUCH && sq > TOUCH)) {
      const at = along(p, q, sp / (sp - sq));
      out.at(-1)!.push(at);
      out.push([at]);
    }
    out.at(-1)!.push(q);
    // A corner that lies on the other line parts it as well.
    if (Math.abs(sq) <= TOUCH && i + 2 < line.length) out.push([q]);
  }
  // What is shorter than that is no edge.
  return out.filter((part) => lineLength(part) > ON);
}
