import type { PhotoPair } from '@aspecta/core/survey';

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
  version: number;
}

/** px. Longest side of a stored picture; the page scales down before it sends. */
export const LONGEST_SIDE = 2400;
/** Bytes that are taken at most. */
export const LARGEST_PHOTO = 24_000_000;
/** Pictures of one vehicle. */
export const MOST_PHOTOS = 2000;
