import { ZONE_CLASSES } from '@aspecta/contract/survey';
import { panelOf, panelsUnder, type BodyPlan } from '@aspecta/core/body';
import { signOf, type ZoneClass } from '@aspecta/core/survey';
import type { FindRow, ZoneRow } from '../survey/entities.ts';

/** Metal that gives way under a load. */
const WEAK: readonly ZoneClass[] = ['through', 'missing', 'thin'];

/**
 * What is rotten of each panel, in words: damage that no repair has taken out yet, and finds that are open. A piece
 * over several panels speaks for all of them.
 */
export function rottenPanels(
  plan: BodyPlan,
  zones: readonly Pick<ZoneRow, 'panel' | 'class'>[],
  finds: readonly Pick<FindRow, 'panel' | 'sign'>[],
): ReadonlyMap<string, readonly string[]> {
  const said = [
    ...zones.filter((zone) => WEAK.includes(zone.class)).map((zone) => ({ ...zone, what: ZONE_CLASSES[zone.class] })),
    ...finds
      .map((find) => ({ ...find, sign: signOf(find.sign) }))
      .filter(({ sign }) => sign.weight > 0)
      .map(({ panel, sign }) => ({ panel, what: sign.title })),
  ].filter(({ panel }) => plan.panels.some(({ id }) => id === panel));
  const out = new Map<string, string[]>();
  for (const { panel, what } of said)
    for (const id of panelsUnder(plan, panel)) {
      const text = `${panelOf(plan, panel).name}: ${what.toLowerCase()}`;
      const known = out.get(id) ?? [];
      if (!known.includes(text)) out.set(id, [...known, text]);
    }
  return out;
}
