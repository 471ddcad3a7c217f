import type { DressAct, DressReading, DressResult, Fill, FillProduct, FillStage } from '@aspecta/core/dress';
import type { FitPlace } from '@aspecta/core/fit';
import type { Point, Ring } from '@aspecta/core/geometry';
import type { Metalwork } from '@aspecta/core/repair';

/** What is done at a place, in words. */
export const ACT_WORDS: Readonly<Record<DressAct, readonly [string, string]>> = {
  level: ['level', 'Nothing to do.'],
  shrink: ['proud', 'Tap it down on a dolly, shrink what will not go; a file finds it, not a grinder.'],
  fill: ['low', 'Low enough for filler alone.'],
  stretch: ['low', 'Stretch the weld: hammer on dolly along it while it is bare, then read it again.'],
  build: [
    'too low',
    'Bring the metal up first: stretch, lift, or build it up by beads; filler is the last part of it.',
  ],
  again: ['far too low', 'Let in a strip, or cut it again: no filler holds here.'],
};
export const FILL_WORDS: Readonly<Record<Fill['kind'], string>> = {
  fine: 'Fine filler',
  ordinary: 'Ordinary filler below, fine filler on top',
  metal: 'Metal-filled below, fine filler on top; better bring the metal up',
};

/** What goes on, and what is done, at each stage from metal to paint. */
export const FILL_PRODUCT_WORDS: Readonly<Record<FillProduct, string>> = {
  metal: 'metal-filled filler',
  ordinary: 'ordinary filler',
  fine: 'fine filler',
  primer: 'primer',
};
export const FILL_STAGE_WORDS: Readonly<Record<FillStage['what'], string>> = {
  scuff: 'Scuff the ground, well beyond the edge of the filler',
  fill: 'Fill',
  block: 'Block it dry over a long block',
  prime: 'Prime it, and mist a guide coat over it when it is dry',
  flat: 'Block it flat until the guide coat is gone; what is still low is filled again',
};

export interface DressRoundInput {
  id: string;
  readings: DressReading[];
  note: string;
}
export interface DressRoundView extends DressRoundInput {
  by: string;
  at: string;
  result: DressResult;
}

/** What a straight edge shows after welding, round by round. */
export interface DressView {
  repairId: string;
  panel: string;
  piece: Ring;
  joints: { name: string; line: Point[] }[];
  /** Each with how far along its joint, from which end. */
  places: (FitPlace & { mm: number; end: string })[];
  /** Why filler has no business here; null where it may be used. */
  noFiller: string | null;
  /** How the shop makes a seen weld level. */
  finish: Metalwork['finish'];
  /** Share of the welds that are done; null where none is planned. */
  welded: number | null;
  /** Oldest first. */
  rounds: DressRoundView[];
}
