import DxfParser, { type IEntity } from 'dxf-parser';
import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { OutlineFileView } from '@aspecta/contract/body';
import {
  anticlockwise,
  arc,
  area,
  between,
  boxOf,
  flattenCubic,
  inRing,
  minus,
  simplifyRing,
  type Point,
  type Ring,
} from '@aspecta/core/geometry';
import { refuse } from '@aspecta/core';

/** mm. Ends of drawn lines this close are joined. */
const JOINS = 0.5;
/** mm. Corners nearer to their chord than this are dropped. */
const DRAWN = 0.2;
/** mm. No body is larger than this each way. */
const LARGEST = 20_000;
/** mm. An arc of a larger radius is a straight line within the length of any panel. */
const FLATTEST = 1e7;
/** Lines and points of a drawing of one panel, with room to spare. */
const MOST_LINES = 50_000;
const MOST_POINTS = 500_000;
const MM_OF_INSUNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/**
 * The outline in a DXF or SVG drawing: its largest closed line, and the closed lines inside
 * it as openings, moved to the lower left corner, in mm.
 *
 * @throws Problem `not-a-drawing` or `no-outline` at `file`
 */
export function outlineFrom(text: string, name: string): OutlineFileView {
  const svg = isSvg(text);
  const dxf = isDxf(text);
  if (!svg && !dxf)
    refuse(
      'not-a-drawing',
      'file',
      `${name || 'This file'} is neither an SVG nor an ASCII DXF drawing, whatever its name says; export it again as one of them.`,
    );
  const { rings, notes } = svg ? fromSvg(text) : fromDxf(text);
  for (const ring of rings) checkSize(ring);
  const sound = rings.filter((ring) => ring.length >= 3 && area([ring]) > 1);
  if (sound.length === 0)
    refuse('no-outline', 'file', 'There is no closed line in this drawing; join its ends and export it again.');
  const outer = sound.reduce((a, b) => (area([b]) > area([a]) ? b : a));
  const holes = sound.filter((ring) => ring !== outer && ring.every((p) => inRing(p, outer)));
  const box = boxOf(outer);
  const settle = (ring: Ring) =>
    simplifyRing(anticlockwise(ring), DRAWN).map((p): [number, number] => {
      const [u, v] = minus(p, [box.minU, box.minV]);
      return [Math.round(u * 100) / 100, Math.round(v * 100) / 100];
    });
  return { outline: settle(outer), holes: holes.map(settle), notes };
}

/** Does a text begin as an SVG does? Declaration, comments and document type are stepped over one by one. */
function isSvg(text: string): boolean {
  const openings: readonly (readonly [from: string, to: string])[] = [
    ['<?', '?>'],
    ['<!--', '-->'],
    ['<!', '>'],
  ];
  for (let at = 0; ;) {
    while (at < text.length && text[at]!.trim() === '') at += 1;
    const opening = openings.find(([from]) => text.startsWith(from, at));
    if (!opening) return /^<svg[\s>]/i.test(text.slice(at, at + 5));
    const end = text.indexOf(opening[1], at);
    if (end < 0) return false;
    at = end + opening[1].length;
  }
}

/** An ASCII DXF holds a group 0 with the word SECTION among its first lines; comments may come before it. */
function isDxf(text: string): boolean {
  const lines = text
    .slice(0, 4000)
    .split('\n')
    .map((line) => line.trim());
  return lines.some((line, i) => line === '0' && lines[i + 1] === 'SECTION');
}

function checkSize(points: readonly Point[]): void {
  for (const [x, y] of points)
    if (!(Math.abs(x) <= LARGEST && Math.abs(y) <= LARGEST))
      refuse(
        'too-large',
        'file',
        `This drawing is more than ${LARGEST / 1000} m large, or not in numbers; check its unit and export it again.`,
      );
}

function tooMany(): never {
  return refuse(
    'too-large',
    'file',
    `This drawing has more than ${MOST_POINTS.toLocaleString('en')} points or ${MOST_LINES.toLocaleString('en')} lines; export the outline of one panel only.`,
  );
}

interface Drawn {
  rings: Ring[];
  notes: string[];
}

function fromDxf(text: string): Drawn {
  let drawing;
  try {
    drawing = new DxfParser().parseSync(text);
  } catch {
    drawing = null;
  }
  if (!drawing)
    return refuse('not-a-drawing', 'file', 'This DXF cannot be read; export it again as ASCII DXF (R12 or 2000).');
  const unit = Number(drawing.header?.['$INSUNITS'] ?? 0);
  const mm = MM_OF_INSUNITS[unit] ?? 1;
  if (drawing.entities.length > MOST_LINES) tooMany();
  const lines: Point[][] = [];
  let count = 0;
  for (const entity of drawing.entities) {
    const line = pointsOf(entity, mm);
    if ((count += line.length) > MOST_POINTS) tooMany();
    if (line.length > 1) lines.push(line);
  }
  return {
    rings: joined(lines),
    notes: MM_OF_INSUNITS[unit] ? [] : ['The drawing does not say its unit; it was taken as mm.'],
  };
}

type Vertex = { x: number; y: number; bulge?: number };

/** The line of an entity in mm: scaled first, so that arcs are drawn out finely whatever the unit of the drawing. */
function pointsOf(entity: IEntity, mm: number): Point[] {
  const any = entity as unknown as {
    vertices?: Vertex[];
    shape?: boolean;
    center?: Vertex;
    radius?: number;
    startAngle?: number;
    endAngle?: number;
    controlPoints?: Vertex[];
    fitPoints?: Vertex[];
  };
  const at = ({ x, y }: Vertex): Point => [x * mm, y * mm];
  const degrees = (radians: number) => (radians * 180) / Math.PI;
  switch (entity.type) {
    case 'LINE':
      return (any.vertices ?? []).map(at);
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return bulged(
        (any.vertices ?? []).map((vertex) => ({ ...vertex, x: vertex.x * mm, y: vertex.y * mm })),
        Boolean(any.shape),
      );
    case 'CIRCLE':
      checkSize([[any.radius! * mm, 0]]);
      return arc(at(any.center!), any.radius! * mm, 0, 360);
    case 'ARC': {
      checkSize([[any.radius! * mm, 0]]);
      const from = degrees(any.startAngle!);
      const to = degrees(any.endAngle!);
      return arc(at(any.center!), any.radius! * mm, from, to < from ? to + 360 : to);
    }
    case 'SPLINE':
      return (any.fitPoints?.length ? any.fitPoints : (any.controlPoints ?? [])).map(at);
    default:
      return [];
  }
}

/** A polyline with its arcs (bulge = tan of a quarter of the angle) drawn out. */
function bulged(vertices: readonly Vertex[], closed: boolean): Point[] {
  const points: Point[] = [];
  const count = closed ? vertices.length : vertices.length - 1;
  for (let i = 0; i < count; i++) {
    const a = vertices[i]!;
    const b = vertices[(i + 1) % vertices.length]!;
    points.push([a.x, a.y]);
    if (!a.bulge) continue;
    const angle = 4 * Math.atan(a.bulge);
    const chord = Math.hypot(b.x - a.x, b.y - a.y);
    const radius = chord / (2 * Math.sin(Math.abs(angle) / 2));
    checkSize([
      [a.x, a.y],
      [b.x, b.y],
    ]);
    if (!(radius <= FLATTEST)) continue;
    const height = (chord / 2) * ((1 - a.bulge * a.bulge) / (2 * a.bulge));
    const centre: Point = [
      (a.x + b.x) / 2 - ((b.y - a.y) / chord) * height,
      (a.y + b.y) / 2 + ((b.x - a.x) / chord) * height,
    ];
    const start = (Math.atan2(a.y - centre[1], a.x - centre[0]) * 180) / Math.PI;
    points.push(...arc(centre, radius, start, start + (angle * 180) / Math.PI).slice(1, -1));
  }
  const last = vertices.at(-1);
  if (last && !closed) points.push([last.x, last.y]);
  if (closed && points.length > 0) points.push(points[0]!);
  return points;
}

/** Lines joined end to end; only what closes is a ring. Ends are looked up by the square they lie in, so that many lines take no longer each. */
function joined(lines: readonly Point[][]): Ring[] {
  const rings: Ring[] = [];
  const ends = new Map<string, Set<number>>();
  const square = (p: Point, du = 0, dv = 0) => `${Math.floor(p[0] / JOINS) + du} ${Math.floor(p[1] / JOINS) + dv}`;
  const used = lines.map(() => false);
  lines.forEach((line, i) => {
    for (const p of [line[0]!, line.at(-1)!]) {
      const there = ends.get(square(p)) ?? new Set();
      ends.set(square(p), there.add(i));
    }
  });
  const take = (i: number) => {
    used[i] = true;
    for (const p of [lines[i]![0]!, lines[i]!.at(-1)!]) ends.get(square(p))?.delete(i);
    return lines[i]!;
  };
  const nextAt = (end: Point): number => {
    for (const du of [0, -1, 1])
      for (const dv of [0, -1, 1])
        for (const i of ends.get(square(end, du, dv)) ?? [])
          if (between(lines[i]![0]!, end) < JOINS || between(lines[i]!.at(-1)!, end) < JOINS) return i;
    return -1;
  };
  for (let i = lines.length - 1; i >= 0; i--) {
    if (used[i]) continue;
    const chain = [...take(i)];
    while (between(chain[0]!, chain.at(-1)!) > JOINS) {
      const next = nextAt(chain.at(-1)!);
      if (next < 0) break;
      const line = take(next);
      const onward = between(line[0]!, chain.at(-1)!) < JOINS ? line : [...line].reverse();
      for (const p of onward.slice(1)) chain.push(p);
    }
    if (chain.length > 3 && between(chain[0]!, chain.at(-1)!) <= JOINS) rings.push(chain.slice(0, -1));
  }
  return rings;
}

interface SvgNode {
  [name: string]: unknown;
}

function fromSvg(text: string): Drawn {
  let root: SvgNode | undefined;
  try {
    const parsed = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', processEntities: false }).parse(
      text,
    ) as SvgNode;
    root = parsed['svg'] as SvgNode | undefined;
  } catch {
    root = undefined;
  }
  if (!root) return refuse('not-a-drawing', 'file', 'This SVG cannot be read; export it again.');
  const { mm, note } = svgScale(root);
  const paths = pathsIn(root, '');
  if (paths.length > MOST_LINES) tooMany();
  const rings: Ring[] = [];
  let count = 0;
  for (const d of paths)
    for (const ring of ringsOfPath(d, mm)) {
      if ((count += ring.length) > MOST_POINTS) tooMany();
      rings.push(ring.map(([x, y]): Point => [x * mm, -y * mm]));
    }
  return { rings, notes: note ? [note] : [] };
}

/** mm for each unit of the drawing: from width and viewBox; px are 1/96 in. */
function svgScale(root: SvgNode): { mm: number; note?: string } {
  const width = /^([\d.]+)\s*(mm|cm|in|px|pt)?$/.exec(String(root['@width'] ?? ''));
  const box = String(root['@viewBox'] ?? '')
    .split(/[\s,]+/)
    .map(Number);
  if (!width) return { mm: 1, note: 'The drawing does not say its size; one unit was taken as 1 mm.' };
  const perUnit = { mm: 1, cm: 10, in: 25.4, px: 25.4 / 96, pt: 25.4 / 72 }[width[2] ?? 'px']!;
  const shown = box.length === 4 && box[2]! > 0 ? box[2]! : Number(width[1]);
  return { mm: (Number(width[1]) * perUnit) / shown };
}

function pathsIn(node: SvgNode, transform: string): string[] {
  return Object.entries(node).flatMap(([name, value]) => {
    if (name.startsWith('@')) return [];
    return (Array.isArray(value) ? value : [value]).flatMap((child: unknown): string[] => {
      if (typeof child !== 'object' || child === null) return [];
      const element = child as SvgNode;
      const own = `${transform} ${String(element['@transform'] ?? '')}`.trim();
      if (/^(defs|clipPath|mask|symbol|pattern)$/.test(name)) return [];
      const d = shapeOf(name, element);
      return [...(d ? [svgpath(d).transform(own).toString()] : []), ...pathsIn(element, own)];
    });
  });
}

function shapeOf(name: string, element: SvgNode): string | undefined {
  const n = (key: string) => Number(element[`@${key}`] ?? 0);
  if (name === 'path') return String(element['@d'] ?? '');
  if (name === 'polygon') return `M${String(element['@points'] ?? '')}Z`;
  if (name === 'rect') return `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}Z`;
  if (name === 'circle' || name === 'ellipse') {
    const [rx, ry] = name === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')];
    return `M${n('cx') - rx} ${n('cy')}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
  }
  return undefined;
}

/** The points that a segment of a path names. */
function pairsOf(command: string, n: readonly number[]): Point[] {
  if (command === 'H') return [[n[0]!, 0]];
  if (command === 'V') return [[0, n[0]!]];
  return Array.from({ length: n.length / 2 }, (_, i): Point => [n[2 * i]!, n[2 * i + 1]!]);
}

/** Closed parts of a path, curves drawn out. */
function ringsOfPath(d: string, mm: number): Ring[] {
  const rings: Ring[] = [];
  let points: Point[] = [];
  const close = () => {
    if (points.length > 2) rings.push(between(points[0]!, points.at(-1)!) < 1e-6 ? points.slice(0, -1) : points);
    points = [];
  };
  svgpath(d)
    .abs()
    .unshort()
    .unarc()
    .iterate((segment, _i, x, y) => {
      const [command, ...n] = segment as unknown as [string, ...number[]];
      const at: Point = [x, y];
      // Before a curve is drawn out: one of a kilometre would take a million points.
      checkSize([[x * mm, y * mm], ...pairsOf(command, n).map(([a, b]): Point => [a * mm, b * mm])]);
      if (command === 'M') {
        points = [[n[0]!, n[1]!]];
      } else if (command === 'L') points.push([n[0]!, n[1]!]);
      else if (command === 'H') points.push([n[0]!, y]);
      else if (command === 'V') points.push([x, n[0]!]);
      else if (command === 'C') points.push(...flattenCubic(at, [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!]));
      else if (command === 'Q') {
        const [c, end]: [Point, Point] = [
          [n[0]!, n[1]!],
          [n[2]!, n[3]!],
        ];
        const toward = (p: Point): Point => [p[0] + ((c[0] - p[0]) * 2) / 3, p[1] + ((c[1] - p[1]) * 2) / 3];
        points.push(...flattenCubic(at, toward(at), toward(end), end));
      } else if (command === 'Z' || command === 'z') close();
    });
  return rings;
}
