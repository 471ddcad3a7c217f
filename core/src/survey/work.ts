import type { ZoneClass } from './panelState.ts';

/** What is to be done where there is no rust: zones that say a task, not a state of the metal. */
const WORK: ReadonlySet<ZoneClass> = new Set<ZoneClass>(['missing', 'hole', 'opening', 'graft', 'clearance', 'dent']);
/** Of those the ones whose outline is where the saw goes: nothing around them is cut away. */
const RIM: ReadonlySet<ZoneClass> = new Set<ZoneClass>(['hole', 'opening', 'graft', 'clearance']);

/** Does a zone of this class say what is to be done, whatever the readings in it say? */
export const isWork = (name: ZoneClass): boolean => WORK.has(name);
/** Is the outline of such a zone the line itself: the rim of a hole to close, of an opening to make, of a piece that is grafted in or of a cover? */
export const isRim = (name: ZoneClass): boolean => RIM.has(name);
