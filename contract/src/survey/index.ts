import type { Point } from '@aspecta/core/geometry';
import {
  showsMetal,
  type BarePlace,
  type LineError,
  type PitRating,
  type Pits,
  type ProbeVerdict,
  type SignId,
  type WalkPlace,
  type ZoneClass,
} from '@aspecta/core/survey';

export * from './photo.ts';

export interface ReadingInput {
  /** Made by the sender, so that the same reading sent twice is stored once. */
  id: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  coatingUm?: number | null;
  coatingOver?: boolean;
  metalMm?: number | null;
  /** The gauge was under its range: the value is “less than”. */
  metalUnder?: boolean;
  probe?: ProbeVerdict | null;
  note?: string;
  /** What it was read with. */
  instrument?: string;
  /** When it was taken, by the clock of the device; the server notes by itself when it came. */
  takenAt?: string | null;
}

export interface ReadingView extends Required<ReadingInput> {
  at: string;
  by: string;
  withdrawn: boolean;
}

export interface ImportView {
  count: number;
  panels: Record<string, number>;
  errors: LineError[];
  stored: boolean;
}

export const EVIDENCE = {
  blister: 'Blister seen',
  pinhole: 'Pinholes',
  stripped: 'Stripped to metal',
  blasted: 'Blasted',
  opened: 'Opened up',
  map: 'From the map',
} as const;
export type Evidence = keyof typeof EVIDENCE;
export const ZONE_CLASSES: Record<ZoneClass, string> = {
  through: 'Rusted through',
  thin: 'Too thin to weld',
  pitted: 'Pitted',
  filler: 'Filler',
  'old-repair': 'Earlier repair',
  missing: 'Metal missing',
  hole: 'Hole to close',
  opening: 'Opening to make',
  graft: 'Piece to graft in',
  clearance: 'Clearance to gain',
  dent: 'Dent or low',
};

export interface ZoneInput {
  id: string;
  panel: string;
  layer: string;
  ring: [number, number][];
  /** Sound islands inside it. */
  holes: [number, number][][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  /** Why the class is not the one that the evidence inside gives; empty where it is. */
  overruled: string;
}

export interface ZoneView extends ZoneInput {
  version: number;
  /** mm² */
  area: number;
  /** Share of the panel, 0 to 1. */
  share: number;
  /** Distances to what decides a repair, mm; null where the panel has none. */
  distances: { edge: number; crease: number | null; mount: number | null };
  changedAt: string;
  changedBy: string;
}

/** Where zones say that the metal itself was seen, and when. */
export const barePlaces = (
  zones: readonly (Pick<ZoneView, 'layer' | 'ring' | 'holes' | 'evidence' | 'class'> & { changedAt: string | Date })[],
): BarePlace[] =>
  zones
    .filter((zone) => showsMetal(zone.evidence, zone.class))
    .map(({ layer, ring, holes, changedAt }) => ({
      layer,
      polygon: [ring, ...holes],
      since: new Date(changedAt).getTime(),
    }));

/** A zone as it was: what showed after stripping, after blasting, after the cut. */
export interface ZoneVersionView {
  version: number;
  class: ZoneClass;
  evidence: Evidence;
  /** mm² */
  area: number;
  overruled: string;
  at: string;
  by: string;
}

/** Merges two zones, takes one out of another, or splits one along a line. */
export type ZoneOperation =
  | { op: 'merge' | 'subtract'; zone: string; version: number; other: string; otherVersion: number }
  | { op: 'split'; zone: string; version: number; line: Point[] };
export interface ZoneOperationView {
  changed: ZoneView[];
  added: ZoneView[];
  removed: string[];
}

/** What showed, what was predicted from it, and what was found: one line for each zone that was opened further. */
export interface ExtentView {
  zoneId: string;
  panel: string;
  layer: string;
  evidence: Evidence;
  /** mm² */
  seen: number;
  predicted50: number;
  predicted90: number;
  /** null while nothing deeper has been seen. */
  found: number | null;
  foundBy: Evidence | null;
  at: string;
}
/** What this shop has learnt about one kind of evidence. */
export interface LearntView {
  evidence: Evidence;
  /** What was foretold before then is left out. */
  since: string | null;
  cases: { predicted: number; found: number; vehicle: string; panel: string; at: string }[];
  factor: number;
  ratio: { p10: number; p50: number; p90: number };
  /** How often the next layer behind had it too, and the chance that follows. */
  behind: { cases: number; found: number; chance: number };
}

export interface FindInput {
  id: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  sign: SignId;
  note: string;
  /** Place of the walk-round where it was found. */
  place?: string | null;
  photoId?: string | null;
}
/** How a find was cured; null as long as it is open. */
export interface FindClosing {
  note: string;
  photoId: string | null;
}
/** What can be changed of a find; its place cannot. */
export interface FindChange {
  sign: SignId;
  note: string;
  closed: FindClosing | null;
  version: number;
}
export interface FindView extends Required<FindInput> {
  /** On load-bearing metal or near a mount. */
  structural: boolean;
  closed: (FindClosing & { at: string; by: string }) | null;
  version: number;
  at: string;
  by: string;
}

export interface WalkPlaceView extends WalkPlace {
  state: 'open' | 'looked' | 'skipped';
  by: string | null;
  finds: number;
}
export interface WalkView {
  places: WalkPlaceView[];
  /** Share of the risk that has been looked at, 0 to 1. */
  coverage: number;
  finds: FindView[];
}

/** Deepest pit of one square patch. */
export interface PitInput {
  id: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  /** Side of the patch, mm. */
  side: number;
  /** Depth of its deepest pit, mm. */
  depth: number;
  /** Pits counted in it, and their mean mouth in mm²; for the rating. */
  pits?: number | null;
  mouth?: number | null;
}
export interface PitView extends Required<PitInput> {
  at: string;
  by: string;
}
export interface PitsView {
  patches: PitView[];
  /** null with fewer than three patches or no spread; `why` says what is missing. */
  result: Pits | null;
  rating: PitRating | null;
  why: string | null;
}
