import type { RepairView } from '../verdict/index.ts';

/** How a repair stands to the same work on the other side of the car. */
export interface SideView {
  /** The panel there. */
  panel: string;
  panelName: string;
  /** What is decided there already, of the same kind and not done; figures can be taken over into it. */
  repairs: { id: string; areaMm2: number }[];
  /** Damage there of which nothing is decided, with its area, mm². */
  zones: { id: string; area: number }[];
  /** Has anything been drawn or chosen here that can be taken over: a line of one's own, joints? */
  line: boolean;
  joints: number;
  /** Hours that were noted here, and what was reckoned for the same steps; null where none was noted. */
  took: { spent: number; reckoned: number } | null;
}

/** The same is to be done on the other side. */
export interface SideInput {
  /** A repair there that takes the figures over; null where it is decided anew. */
  into: string | null;
  /** Of the new repair. */
  id: string;
  /** Of the mirrored damage, one for each zone here; used where there is none on the other side. */
  zoneIds: string[];
}

export interface SideDone {
  repair: RepairView;
  /** What was taken over, and what could not be, in whole sentences. */
  notes: string[];
}
