import type { Ring } from '@aspecta/core/geometry';
import type { PartingLine, WayResult, WayRoute } from '@aspecta/core/way';

/** What a person says of how a piece gets to its place. */
export interface WaySay {
  /** Of the piece across its plane, mm. */
  depth: number;
  /** Play in all, mm. */
  clearance: number;
  lines: PartingLine[];
  routes: WayRoute[];
  /** The way that is taken; null as long as none is. */
  chosen: string | null;
}
export interface WayChange extends WaySay {
  version: number;
}

export interface WayView extends WaySay {
  repairId: string;
  panel: string;
  /** mm */
  piece: Ring;
  results: WayResult[];
  /** The way that the shop would take by its rules, and the one that costs least. */
  best: string | null;
  cheapest: string | null;
  /** Lines that lie in the middle of a fold or flange of the panel, where a seam is stiff and hidden. */
  suggested: (PartingLine & { name: string })[];
  /** 0 where nothing was said yet. */
  version: number;
}
