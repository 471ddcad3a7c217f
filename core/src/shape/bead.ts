import { finite } from '../check.ts';
import { refuse } from '../problem.ts';

export interface BeadInput {
  /** "bead": a round groove; "step": the sheet goes on at another level (a joggle). */
  kind: 'bead' | 'step';
  /** How far it stands out of the sheet, mm. */
  depth: number;
  /** Across the bead, mm; along the sheet from level to level for a step. */
  width: number;
  /** Of the run of the bead or step, mm. */
  length?: number;
}

/**
 * How much wider must the sheet be for a bead or step? A bead is an arc over its width, a step
 * a slope between two levels.
 *
 * @param depth,width mm; a bead is at most half as deep as wide
 * @returns developed: length along the sheet, mm; extra: what it draws in, mm; area of the extra over the length, mm²
 * @throws Problem naming the field
 * Source: circle geometry; that the sheet is drawn in and not stretched is common practice, no published source.
 */
export function bead({ kind, depth, width, length }: BeadInput): {
  developed: number;
  extra: number;
  area: number | null;
} {
  if (kind !== 'bead' && kind !== 'step') refuse('unknown-kind', 'kind', 'kind must be "bead" or "step".');
  finite('width', width, { above: 0, max: 10_000, unit: 'mm' });
  finite('depth', depth, { above: 0, max: kind === 'bead' ? width / 2 : 10_000, unit: 'mm' });
  if (length !== undefined) finite('length', length, { above: 0, max: 1e5, unit: 'mm' });
  const developed = kind === 'step' ? Math.hypot(width, depth) : arcOver(width, depth);
  const extra = developed - width;
  return { developed, extra, area: length === undefined ? null : extra * length };
}

function arcOver(chord: number, sagitta: number): number {
  const radius = ((chord / 2) ** 2 + sagitta ** 2) / (2 * sagitta);
  return 2 * radius * 2 * Math.atan2(2 * sagitta, chord);
}
