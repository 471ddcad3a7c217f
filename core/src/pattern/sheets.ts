import { finite, list } from '../check.ts';
import type { Material } from '../body/index.ts';
import { area, type Polygon } from '../geometry/index.ts';
import { nest, type Placement } from '../shape/index.ts';
import type { Watch } from '../watch.ts';

/** A sheet or leftover that is in the rack; mm. */
export interface SheetInStock {
  id: string;
  width: number;
  height: number;
  thickness: number;
  material: Material;
}

/** A blank that wants a place; mm. */
export interface WantedBlank {
  id: string;
  blank: Polygon;
  thickness: number;
  material: Material;
}

export interface LayOutInput {
  sheets: readonly SheetInStock[];
  blanks: readonly WantedBlank[];
  /** Between two pieces, and to the edge, mm. */
  gap: number;
  /** May pieces be turned by quarters? Else the rolling direction is kept. */
  turn: boolean;
}

export interface LaidSheet {
  sheet: string;
  /** Placed blanks with where they lie. */
  placed: (Omit<Placement, 'piece'> & { blank: string })[];
  /** Share of the sheet that becomes pieces. */
  yield: number;
  /** mm of its height from which on it stays whole. */
  used: number;
  /** What goes back into the rack; null where it is too small to be kept. */
  left: { width: number; height: number } | null;
}

export interface LaidOut {
  sheets: LaidSheet[];
  /** Blanks without a place, with the reason. */
  without: { blank: string; why: 'metal' | 'room' }[];
}

/** mm. A sheet of another thickness by no more than that is the same gauge. */
const SAME_GAUGE = 0.06;
/** mm. A leftover that is narrower is scrap. */
export const LEAST_LEFT = 80;

/**
 * Which blank is cut from which sheet of the rack? Leftovers before whole sheets, the smallest first, so that
 * large sheets stay whole; only sheets of the same metal and gauge.
 *
 * @param input up to 60 sheets and 100 blanks, mm
 * @returns places on each sheet that is used, what is left of it, and what found none
 * @throws Problem naming the field
 * Source: no-fit polygons and bottom-left placement (see nest); order of sheets common practice.
 * @example layOut({ sheets: [{ id: 'a', width: 500, height: 300, thickness: 1, material: 'steel' }], blanks: [{ id: 'p', blank: [[[0, 0], [400, 0], [400, 100], [0, 100]]], thickness: 1, material: 'steel' }], gap: 5, turn: true }).sheets.map(({ sheet, left }) => [sheet, Math.round(left.height)]) // → [["a", 190]]
 */
export function layOut({ sheets, blanks, gap, turn }: LayOutInput, watch?: Watch): LaidOut {
  list('sheets', sheets, 0, 60);
  list('blanks', blanks, 1, 100);
  finite('gap', gap, { min: 0, max: 100, unit: 'mm' });
  const fits = (sheet: SheetInStock, { thickness, material }: WantedBlank) =>
    sheet.material === material && Math.abs(sheet.thickness - thickness) <= SAME_GAUGE;
  const laid: LaidSheet[] = [];
  let open = [...blanks];
  const order = [...sheets].sort((a, b) => a.width * a.height - b.width * b.height);
  order.forEach((sheet, i) => {
    watch?.(i / order.length);
    const own = open.filter((blank) => fits(sheet, blank));
    if (own.length === 0) return;
    const { placements, usedHeight } = nest({
      sheet,
      pieces: own.map(({ blank }): Polygon => [blank[0]!]),
      gap,
      rotations: turn ? [0, 90] : [0],
    });
    if (placements.length === 0) return;
    const placed = placements.map(({ piece, ...rest }) => ({ ...rest, blank: own[piece]!.id }));
    const used = Math.min(sheet.height, usedHeight + gap);
    laid.push({
      sheet: sheet.id,
      placed,
      yield: placements.reduce((sum, { piece }) => sum + area(own[piece]!.blank), 0) / (sheet.width * sheet.height),
      used,
      left:
        sheet.height - used >= LEAST_LEFT && sheet.width >= LEAST_LEFT
          ? { width: sheet.width, height: sheet.height - used }
          : null,
    });
    const done = new Set(placed.map(({ blank }) => blank));
    open = open.filter(({ id }) => !done.has(id));
  });
  return {
    sheets: laid,
    without: open.map((blank) => ({
      blank: blank.id,
      why: sheets.some((sheet) => fits(sheet, blank)) ? ('room' as const) : ('metal' as const),
    })),
  };
}
