import { finite } from '../check.ts';
import type { Crease, PanelArea } from '../body/index.ts';
import type { Point, Ring } from '../geometry/index.ts';
import type { EdgeCost } from './edges.ts';

/** Shop rules of cutting, mm; common practice, no published source. */
export interface CutRules {
  /** Most straight runs of the final line, 3 to 12. */
  maxCorners: number;
  /** Inside corners are rounded by at least 12. */
  cornerRadius: number;
  /** The rough line stays this far inside (T-12). */
  roughGap: number;
  /** Width of the blade: the joint gap (T-13). */
  kerf: number;
  snap: number;
  besideCrease: number;
}

export const cutRules: CutRules = { maxCorners: 4, cornerRadius: 15, roughGap: 12, kerf: 1, snap: 25, besideCrease: 6 };

export interface CutPanel {
  outline: Ring;
  openings?: readonly Ring[];
  creases?: readonly Crease[];
  /** Lines of flanges that can be welded to. */
  flanges?: readonly (readonly Point[])[];
  /** Holes and drains; kept clear of. */
  holes?: readonly Ring[];
  /** Parts of it that are cheap to cut, under trim or a liner, or dear: curved both ways, beside glass, lead, wiring or foam. */
  areas?: readonly PanelArea[];
  /** Areas of metal that is too thin to weld to: the line stays out of them. */
  unweldable?: readonly Ring[];
  /** Seams with their as-built spot pitch, mm. */
  seams?: readonly { line: readonly Point[]; pitch: number }[];
  /** What its edges cost where a piece takes them in; nothing where they are left out. */
  edges?: readonly EdgeCost[];
  /** What a square millimetre of the piece costs, as millimetres of cut on plain sheet: to strip, shape by its curvature, and coat. */
  perArea?: number;
  /** Where something is carried; a cut keeps clear of it. */
  mounts?: readonly { at: Point; name: string }[];
  /** Sheets that lie one behind the other here, outermost first. */
  layers?: readonly string[];
}

/** The shop's rules with what is usual for those that it has not set. */
export function checkedRules(house: Partial<CutRules> | undefined): CutRules {
  const rules = { ...cutRules, ...house };
  finite('house.maxCorners', rules.maxCorners, { min: 3, max: 12 });
  finite('house.cornerRadius', rules.cornerRadius, { min: 12, max: 200, unit: 'mm' });
  finite('house.roughGap', rules.roughGap, { min: 1, max: 100, unit: 'mm' });
  finite('house.kerf', rules.kerf, { min: 0, max: 5, unit: 'mm' });
  finite('house.snap', rules.snap, { min: 0, max: 200, unit: 'mm' });
  finite('house.besideCrease', rules.besideCrease, { min: 0, max: 50, unit: 'mm' });
  return rules;
}
