import type { PhotoRegion, RegionKind } from '@aspecta/contract/survey';
import type { Polygon } from '@aspecta/core/geometry';

/** Outlines traced on a picture, or found by stroking it, on their way to the panel page; the largest first. */
interface Traced extends Pick<PhotoRegion, 'parts'> {
  vehicle: string;
  panel: string;
  /** What was stroked; null where a person traced it. */
  what: RegionKind | null;
}
/** One of them. */
export interface TracedPart {
  polygon: Polygon;
  what: RegionKind | null;
}
let waiting: Traced | null = null;

export const keepTraced = (traced: Traced) => (waiting = traced);
/** The next outline that was traced for this panel, once. */
export function takeTraced(vehicle: string, panel: string): TracedPart | null {
  if (waiting?.vehicle !== vehicle || waiting.panel !== panel) return null;
  const [polygon, ...parts] = waiting.parts;
  const { what } = waiting;
  waiting = parts.length > 0 ? { ...waiting, parts } : null;
  return polygon ? { polygon, what } : null;
}
