import type { ZoneClass } from '../survey/index.ts';

/** How a shop works on metal, beside how it joins and welds it (the schools of the trade). */
export interface Metalwork {
  /** How far is cut: all rusty metal back to bright, or what is through or too thin alone, the rest treated. */
  cutBack: 'bright' | 'holes';
  /** How metal that stays is freed of its rust. */
  rust: 'neutralise' | 'convert' | 'blast';
  /** How a weld that is seen is made level. */
  finish: 'filler' | 'metal';
  /** When a new piece is coated. */
  primed: 'after' | 'before';
  /** What is done with the lowest edge of a hollow. */
  lowEdge: 'open' | 'shut';
  /** A piece that is too large for its way in. */
  passage: 'cheapest' | 'sections' | 'neighbour';
}
export const usualMetalwork: Metalwork = {
  cutBack: 'bright',
  rust: 'neutralise',
  finish: 'filler',
  primed: 'after',
  lowEdge: 'open',
  passage: 'cheapest',
};

/** Rusty, and thick enough to stay. */
const MAY_STAY: readonly ZoneClass[] = ['pitted'];

/**
 * Which of these zones are cut out, and which stay and are treated? Where nothing of them is through or too thin,
 * all of them are cut: that is what was decided.
 *
 * @param zones with their classes
 * @param cutBack by the house
 * @param mustGo what is cut all the same: so near to a mount only metal of equal thickness counts
 * Source: common practice, no published source (schools: how far to cut).
 * @example cutAndLeft([{ class: 'through' }, { class: 'pitted' }], 'holes').left // → [{ class: "pitted" }]
 */
export function cutAndLeft<Z extends { class: ZoneClass }>(
  zones: readonly Z[],
  cutBack: Metalwork['cutBack'],
  mustGo: (zone: Z) => boolean = () => false,
): { cut: readonly Z[]; left: readonly Z[] } {
  const stays = (zone: Z) => MAY_STAY.includes(zone.class) && !mustGo(zone);
  return cutBack === 'bright' || zones.every(stays)
    ? { cut: zones, left: [] }
    : { cut: zones.filter((zone) => !stays(zone)), left: zones.filter(stays) };
}
