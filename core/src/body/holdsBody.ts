import type { Panel } from './types.ts';

/**
 * Does the body lose shape without this panel? One that carries load, and every one that is welded in: a quarter or a
 * tail that is off weakens it as well, though it is not counted on by itself.
 *
 * Source: common practice, no published source (T-15).
 * @example holdsBody({ structural: false, fixing: 'bolted' }) // → false
 */
export const holdsBody = ({ structural, fixing }: Pick<Panel, 'structural' | 'fixing'>): boolean =>
  structural || fixing !== 'bolted';
