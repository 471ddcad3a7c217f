import { simplifyRing, type Ring } from '../geometry/index.ts';
import { isRim, type ZoneClass } from '../survey/index.ts';
import { lineByHand } from './byHand.ts';
import type { CutTask } from './ground.ts';
import type { CutLine } from './laid.ts';
import { cutLine } from './line.ts';

/** mm. A rim is marked by corners that stray from it by no more: a felt-pen line. */
const RIM_WITHIN = 0.5;

/** Sound metal that is asked for around these zones, mm: none around what is cut along its rim. */
export const marginAround = (zones: readonly { class: ZoneClass }[], margin: number): number =>
  zones.every((zone) => isRim(zone.class)) ? 0 : margin;

/**
 * Where does the saw go for these zones? Damage is cut out with a margin; a hole to close and an opening
 * to make have their line already: it is their rim.
 *
 * @param zones outlines with what they are, mm; those of one repair
 * @throws Problem naming the field
 */
export function lineAround({
  zones,
  ...task
}: Omit<CutTask, 'damage'> & { zones: readonly { class: ZoneClass; ring: Ring }[] }): CutLine {
  const damage = zones.map(({ ring }) => ring);
  const [only, ...others] = zones;
  if (only && others.length === 0 && isRim(only.class)) {
    const rim = simplifyRing(only.ring, RIM_WITHIN);
    return lineByHand({ ...task, damage: [rim], margin: 0, corners: rim, sharp: true });
  }
  return cutLine({ ...task, damage });
}
