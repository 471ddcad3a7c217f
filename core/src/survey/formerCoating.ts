import { inPolygon, type Polygon } from '../geometry/index.ts';
import type { ZoneClass } from './panelState.ts';
import type { Reading } from './reading.ts';
import { isWork } from './work.ts';

/** A place where somebody has seen the metal itself. */
export interface BarePlace {
  layer: string;
  polygon: Polygon;
  /** When it was seen, ms since 1970. */
  since: number;
}

/** What one has to have done to see the metal itself. */
const SHOWS_METAL: ReadonlySet<string> = new Set(['stripped', 'blasted', 'opened']);

/** Does a zone of this evidence and class say that its metal was seen? Filler that is still there hides it, and what is only to be done says nothing of it. */
export const showsMetal = (evidence: string, name: ZoneClass): boolean =>
  SHOWS_METAL.has(evidence) && name !== 'filler' && (name === 'missing' || !isWork(name));

/**
 * What of the readings still tells of the car as it is? A coating that was read before its place was
 * stripped came off with the paint: it no longer counts, the metal that was read there does.
 *
 * @param readings `readAt` in ms since 1970; one without it counts as read before
 * @param bare places where the metal was seen, in the coordinates of the same panel
 * @example
 * withoutFormerCoating(
 *   [{ panel: 'roof', layer: 'outer', u: 50, v: 50, coatingUm: 1800, readAt: 1 }],
 *   [{ layer: 'outer', polygon: [[[0, 0], [100, 0], [100, 100], [0, 100]]], since: 2 }],
 * ); // → []
 */
export function withoutFormerCoating(readings: readonly Reading[], bare: readonly BarePlace[]): Reading[] {
  return readings.flatMap((reading) => {
    const { layer, u, v, readAt = 0 } = reading;
    const isGone =
      reading.coatingUm !== undefined &&
      bare.some((place) => place.layer === layer && readAt < place.since && inPolygon([u, v], place.polygon));
    if (!isGone) return [reading];
    const rest = { ...reading, coatingUm: undefined, coatingOver: undefined };
    return rest.metalMm === undefined && rest.probe === undefined ? [] : [rest];
  });
}
