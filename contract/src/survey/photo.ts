import type { Polygon } from '@aspecta/core/geometry';
import type { PhotoPair, ZoneClass } from '@aspecta/core/survey';
import type { Evidence } from './index.ts';

/** What is stroked on a picture, and as what a zone of it begins; bare metal is no damage and makes none. */
export const REGION_KINDS = {
  rust: { word: 'Rust', class: 'thin', evidence: 'stripped' },
  hole: { word: 'Holes', class: 'through', evidence: 'pinhole' },
  blister: { word: 'Blisters', class: 'pitted', evidence: 'blister' },
  filler: { word: 'Filler', class: 'filler', evidence: 'stripped' },
  bare: { word: 'Bare metal', class: null, evidence: null },
} as const satisfies Record<string, { word: string; class: ZoneClass | null; evidence: Evidence | null }>;
export type RegionKind = keyof typeof REGION_KINDS;

/** What was found on a picture by stroking it, on the panel in mm. */
export interface PhotoRegion {
  what: RegionKind;
  parts: Polygon[];
}

export interface PhotoView {
  id: string;
  panel: string | null;
  layer: string | null;
  /** Where it is pinned, mm. */
  u: number | null;
  v: number | null;
  note: string;
  width: number;
  height: number;
  takenAt: string;
  /** Known points, px and mm. */
  pairs: PhotoPair[];
  /** Picture to panel, row by row; null until four points are known. */
  matrix: number[] | null;
  /** mm */
  rms: number | null;
  worst: number | null;
  /** What was stroked on it; null while nothing was, or when the picture lies differently by now. */
  region: PhotoRegion | null;
  version: number;
  at: string;
  by: string;
}

export interface PhotoChange {
  panel: string | null;
  layer: string | null;
  u: number | null;
  v: number | null;
  note: string;
  pairs: PhotoPair[];
  region: PhotoRegion | null;
  version: number;
}

/** px. Longest side of a stored picture; the page scales down before it sends. */
export const LONGEST_SIDE = 2400;
/** Bytes that are taken at most. */
export const LARGEST_PHOTO = 24_000_000;
/** Pictures of one vehicle. */
export const MOST_PHOTOS = 2000;
