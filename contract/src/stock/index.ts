import type { CutFrom } from '../pattern/index.ts';
import type { Material } from '@aspecta/core/body';
import type { Point, Polygon } from '@aspecta/core/geometry';
import type { LaidOut } from '@aspecta/core/pattern';

export interface SheetInput {
  id: string;
  /** What it is called, or where it stands. */
  name: string;
  width: number;
  height: number;
  thickness: number;
  material: Material;
}
export interface StockSheet extends SheetInput {
  /** It is what was left of another sheet. */
  leftover: boolean;
  version: number;
}

/** A pattern that waits to be cut, or has been. */
export interface WaitingBlank {
  /** Of this blank: its repair, and the section of its piece. */
  id: string;
  repair: string;
  vehicle: string;
  car: string;
  /** With the section, where its piece goes in parted. */
  panel: string;
  thickness: number;
  material: Material;
  blank: Polygon;
  bends: Point[][];
  /** Smallest sheet for it, mm. */
  least: { width: number; height: number };
  cutFrom: CutFrom | null;
}

export interface StockView {
  sheets: StockSheet[];
  blanks: WaitingBlank[];
  /** Patterns that cannot be made as they are, with the reason. */
  failing: { repair: string; vehicle: string; car: string; panel: string; why: string }[];
}

export interface LayOutRequest {
  /** Ids of blanks. */
  blanks: string[];
  gap: number;
  turn: boolean;
}
export type LaidOutView = LaidOut;

/** A sheet is cut as it was laid out. */
export interface CutRequest extends LayOutRequest {
  sheet: string;
  version: number;
}
