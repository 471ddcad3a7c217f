import { finite, list } from '../check.ts';
import {
  between,
  clipAll,
  cross,
  lineLength,
  minus,
  perimeter,
  plus,
  scaled,
  simpleRing,
  unit,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { passage, type Passage, type PassageInput } from './passage.ts';

export interface SplitInput extends PassageInput {
  /** Lines along which the piece may be parted: centre lines of flanges, each two places, mm. */
  allowed: readonly (readonly [Point, Point])[];
}
export interface Split {
  /** Pieces after parting, with how each passes. */
  sections: { outline: Ring; passage: Passage }[];
  /** The lines that are used, and where they cross the edge of the piece: along its edge from its first corner, mm. */
  lines: { line: number; crossings: { at: Point; fromCorner: number; offset: number }[] }[];
}

const MOST_LINES = 12;

/**
 * Into how few sections must the piece be parted so that all pass through the opening, and
 * where do the joints lie? All choices of the allowed lines are tried, fewest first; among
 * as many, the one with the most play. Lines part the piece from edge to edge.
 *
 * @param allowed up to 12 lines, mm
 * @returns offset: from the corner before, along the edge, mm
 * @throws Problem `cannot-pass` where no choice passes
 * Source: exhaustive search; joints on flange centre lines, common practice (T-16, T-33).
 */
export function split({ allowed, piece, depth, opening, clearance, room }: SplitInput): Split {
  const behind = room === undefined ? {} : { room };
  const through = (outline: Ring) => passage({ piece: [outline], depth, opening, clearance, ...behind });
  const whole = through(list<Ring>('piece', piece, 1, 1000)[0]!);
  const outline = simpleRing('piece[0]', piece[0]);
  const lines = list<readonly [Point, Point]>('allowed', allowed, 0, MOST_LINES).map((line, i) =>
    checkedLine(`allowed[${i}]`, line),
  );
  if (whole.passes) return { sections: [{ outline, passage: whole }], lines: [] };
  const choices = Array.from({ length: 2 ** lines.length }, (_, mask) =>
    lines.map((__, i) => i).filter((i) => mask & (1 << i)),
  );
  choices.sort((a, b) => a.length - b.length);
  let best: { used: number[]; sections: Split['sections']; margin: number } | undefined;
  let closest = -Infinity;
  for (const used of choices) {
    if (used.length === 0) continue;
    if (best && used.length > best.used.length) break;
    const parts = used.reduce<Polygon[]>((pieces, i) => pieces.flatMap((part) => parted(part, lines[i]!)), [[outline]]);
    const sections = parts.map((part) => ({ outline: part[0]!, passage: through(part[0]!) }));
    const margin = Math.min(...sections.map((section) => section.passage.margin));
    closest = Math.max(closest, margin);
    if (margin >= 0 && (!best || margin > best.margin)) best = { used, sections, margin };
  }
  if (!best)
    return refuse(
      'cannot-pass',
      'allowed',
      lines.length === 0
        ? `The piece does not pass whole (${Math.round(-whole.margin)} mm are missing); allow lines along which it may be parted.`
        : `Even parted along all of the lines a section does not go in, ${Math.ceil(-closest)} mm are missing at best: add a line, or make the opening larger.`,
    );
  return {
    sections: best.sections,
    lines: best.used.map((line) => ({ line, crossings: crossingsOf(outline, lines[line]!) })),
  };
}

function checkedLine(field: string, line: readonly [Point, Point]): [Point, Point] {
  const ends = list<Point>(field, line, 2, 2).map((p, k): Point => [
    finite(`${field}[${k}][0]`, p?.[0], { min: -1e6, max: 1e6, unit: 'mm' }),
    finite(`${field}[${k}][1]`, p?.[1], { min: -1e6, max: 1e6, unit: 'mm' }),
  ]) as [Point, Point];
  if (!(between(...ends) > 1)) refuse('no-length', field, `${field} needs two places more than 1 mm apart.`);
  return ends;
}

/** Both sides of a line that goes on beyond its ends, the left one first. */
export function parted(part: Polygon, [a, b]: readonly [Point, Point]): Polygon[] {
  const reach = 2 * (perimeter(part[0]!) + lineLength([a, b, part[0]![0]!]));
  const d = unit(minus(b, a));
  const out: Point = [-d[1], d[0]];
  const corner = (s: number, t: number): Point => plus(plus(a, scaled(d, s * reach)), scaled(out, t * reach));
  const half: Polygon = [[corner(-1, 0), corner(1, 0), corner(1, 1), corner(-1, 1)]];
  return [...clipAll('intersection', [part], [half]).polygons, ...clipAll('difference', [part], [half]).polygons];
}

/** Where a line crosses the edge of a piece: the place, after which corner, and how far from it, mm. */
export function crossingsOf(
  outline: Ring,
  [a, b]: readonly [Point, Point],
): { at: Point; fromCorner: number; offset: number }[] {
  const d = minus(b, a);
  return outline.flatMap((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    const [sp, sq] = [cross(d, minus(p, a)), cross(d, minus(q, a))];
    if (sp === sq || sp > 0 === sq > 0) return [];
    const at = plus(p, scaled(minus(q, p), sp / (sp - sq)));
    return [{ at, fromCorner: i, offset: between(p, at) }];
  });
}
