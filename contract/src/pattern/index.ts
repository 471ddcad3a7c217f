import type { Blank, Fitting, TurnChoice } from '@aspecta/core/pattern';
import type { Material } from '@aspecta/core/body';
import type { Point, Ring } from '@aspecta/core/geometry';
import type { Closing } from '@aspecta/core/repair';

export interface PatternSettings {
  /** Sheet that is taken, mm; as the layer was built where it is null. */
  thickness: number | null;
  /** Inside radius of the bends, mm. */
  radius: number;
  /** Left on at butted edges, mm. */
  trim: number;
  turns: TurnChoice[];
  /** Nuts and holes that sit in it, beside what the body plan knows. */
  fittings: Fitting[];
  /** A card or a cut-out that was traced on a true-size picture, in place of the piece between its lines; null where it is that. */
  traced: { ring: Ring; from: string } | null;
}
export interface PatternInput extends PatternSettings {
  version: number;
}
export const patternDefaults: PatternSettings = {
  thickness: null,
  radius: 1,
  trim: 0,
  turns: [],
  fittings: [],
  traced: null,
};

/** From which sheet of the rack a blank was cut. */
export interface CutFrom {
  /** Which of how many sections of the piece, from 0. */
  section: number;
  of: number;
  sheet: string;
  by: string;
  at: string;
}

/** What is cut from flat sheet for a repair, or for one of the sections in which it goes in, and how its edges go on. */
export interface PatternView {
  repairId: string;
  panel: string;
  layer: string;
  /** Of the layer, as built, mm. */
  asBuilt: number;
  thickness: number;
  material: Material;
  piece: Ring;
  /** Which of how many sections of the piece this is, from 0; one where it goes in whole. */
  section: number;
  sections: number;
  joints: { name: string; kind: string; closing: Closing; line: Point[]; at: Point }[];
  blank: Blank;
  /** What to look out for, each in a sentence. */
  notes: string[];
  /** The same panel on the other side, for which the blank is turned over. */
  otherSide: string | null;
  settings: PatternSettings;
  version: number;
  cutFrom: CutFrom | null;
  /** Something was cut for this piece as it was parted before. */
  cutOtherwise: CutFrom | null;
}

/** What one of several sections is called beside its panel; nothing where the piece goes in whole. */
export const sectionName = (section: number, sections: number): string =>
  sections > 1 ? `section ${section + 1} of ${sections}` : '';

export const PATTERN_FILES = ['dxf', 'dxf-r12', 'svg', 'pdf-a4', 'pdf-letter'] as const;
export type PatternFile = (typeof PATTERN_FILES)[number];
