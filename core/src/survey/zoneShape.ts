import type { Panel } from '../body/index.ts';
import {
  between,
  boxOf,
  clipAll,
  inPolygon,
  simpleRing,
  toLine,
  toRing,
  type Point,
  type Polygon,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';

/** A zone's outline and sound islands that make one sound polygon; names the ring that does not. */
export function zonePolygon(ring: unknown, holes: readonly unknown[]): Polygon {
  const outer = simpleRing('ring', ring);
  const inner = holes.map((hole, i) => simpleRing(`holes[${i}]`, hole));
  inner.forEach((hole, i) => {
    if (!hole.every((p) => inPolygon(p, [outer])))
      refuse('outside-zone', `holes[${i}]`, `Island ${i + 1} reaches out of the zone; draw it inside.`);
  });
  return [outer, ...inner];
}

/** Nearest distances of a zone to what decides a repair, mm; zero where it touches, null where there is none. */
export function zoneDistances(
  panel: Panel,
  zone: Polygon,
): { edge: number; crease: number | null; mount: number | null } {
  const outer = zone[0]!;
  const touching = (p: Point) => inPolygon(p, zone);
  const least = (values: readonly number[]) => (values.length === 0 ? null : Math.min(...values));
  const creases = panel.creases.map((crease) =>
    crease.line.some(touching)
      ? 0
      : Math.min(...outer.map((p) => toLine(p, crease.line)), ...crease.line.map((p) => toRing(p, outer))),
  );
  return {
    edge:
      panel.outline.some(touching) || outer.some((p) => !inPolygon(p, [panel.outline]))
        ? 0
        : Math.min(...outer.map((p) => toRing(p, panel.outline)), ...panel.outline.map((p) => toRing(p, outer))),
    crease: least(creases),
    mount: least(panel.mounts.map((mount) => (touching(mount.at) ? 0 : toRing(mount.at, outer)))),
  };
}

/** Two zones as one. @throws Problem `apart` where they do not touch */
export function mergeZones(a: Polygon, b: Polygon): Polygon {
  const { polygons } = clipAll('union', [a], [b]);
  if (polygons.length !== 1)
    refuse('apart', 'other', 'These two zones do not touch; move a corner of one over the other first.');
  return polygons[0]!;
}

/** What is left of a zone without another; may be several. @throws Problem `nothing-left` */
export function subtractZone(a: Polygon, b: Polygon): Polygon[] {
  const { polygons } = clipAll('difference', [a], [b]);
  if (polygons.length === 0) refuse('nothing-left', 'other', 'Nothing would be left of the zone; remove it instead.');
  return [...polygons];
}

/**
 * The pieces of a zone on the two sides of a line, largest first.
 *
 * @param line two or more points; its ends are drawn on to beyond the zone
 * @throws Problem `not-split` where the line does not cross the zone
 */
export function splitZone(zone: Polygon, line: readonly Point[]): Polygon[] {
  const box = boxOf([...zone[0]!, ...line]);
  const far = 4 * Math.hypot(box.maxU - box.minU, box.maxV - box.minV) + 100;
  const [first, second] = [line[0]!, line[1]!];
  const [last, before] = [line[line.length - 1]!, line[line.length - 2]!];
  if (between(first, second) === 0 || between(last, before) === 0)
    refuse('repeated', 'line', 'Two points of the line lie on each other; draw it longer.');
  const out = (from: Point, to: Point): Point => {
    const length = between(from, to);
    return [to[0] + ((to[0] - from[0]) / length) * far, to[1] + ((to[1] - from[1]) / length) * far];
  };
  const [start, end] = [out(second, first), out(before, last)];
  const path = [start, ...line.slice(1, -1), end];
  // One side of the line: back around far to its left.
  const turn: Point = [-(end[1] - start[1]), end[0] - start[0]];
  const length = Math.hypot(...turn);
  const away: Point = [(turn[0] / length) * far * 3, (turn[1] / length) * far * 3];
  const side: Polygon = [[...path, [end[0] + away[0], end[1] + away[1]], [start[0] + away[0], start[1] + away[1]]]];
  const pieces = [
    ...clipAll('intersection', [zone], [side]).polygons,
    ...clipAll('difference', [zone], [side]).polygons,
  ];
  if (pieces.length < 2) refuse('not-split', 'line', 'The line does not cross the zone; draw it from side to side.');
  return pieces;
}
