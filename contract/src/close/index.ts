import type { CoatedSide, CoatKind, CoatProduct, CoatSystems, Face, FaceState } from '@aspecta/core/close';

/** Kinds of coats; every word that a person reads for one stands here. */
export const COAT_WORDS: Readonly<Record<CoatKind, string>> = {
  converter: 'Rust converter',
  epoxy: 'Epoxy primer',
  zinc: 'Zinc primer',
  sealer: 'Seam sealer',
  chip: 'Stone chip',
  underbody: 'Underbody coat',
  bed: 'Bed coat',
  wax: 'Cavity wax',
  paint: 'Paint',
};
export const SIDE_WORDS: Readonly<Record<CoatedSide, string>> = {
  hollow: 'Inside a hollow',
  seen: 'Outside, where it is seen',
  behindSeen: 'Behind a panel that is seen',
  hidden: 'Outside, where it is not seen',
  behindHidden: 'Behind a panel that is not seen',
};
export const FACE_STATE_WORDS: Readonly<Record<FaceState, string>> = {
  bare: 'Bare',
  coated: 'Coated',
  shut: 'Coated and shut',
  'shut-bare': 'Shut with no coat recorded',
};

/** A product of the shop. */
export interface ProductInput extends CoatProduct {
  id: string;
  name: string;
}
export interface ProductView extends ProductInput {
  /** The usual figures of its kind, not a product of the shop's own. */
  usual: boolean;
  version: number;
}

export interface CoatInput {
  id: string;
  faces: string[];
  product: string;
  /** °C of the air while it dries. */
  celsius: number;
  /** % and °C of the metal, where they were read. */
  humidity: number | null;
  steel: number | null;
  note: string;
}
export interface CoatView extends Omit<CoatInput, 'faces'> {
  name: string;
  kind: CoatKind;
  by: string;
  at: string;
  /** When the next coat may go on, and until when without scuffing; null where nothing ends it. */
  next: { earliest: string; latest: string | null };
  grit: number | null;
  /** The metal was less than 3 K above the dew point. */
  damp: boolean;
}

export interface FaceView extends Face {
  state: FaceState;
  coats: CoatView[];
  cavityName: string | null;
  /** Drains of the hollow: they stay open. */
  drains: string[];
  /** What was found there and is not cured yet. */
  finds: string[];
}
export interface ClosingRepair {
  id: string;
  panel: string;
  /** By its panel, and the sheet of it where that lies behind another. */
  name: string;
  /** Share of its welds that is done; null where none are planned. */
  welded: number | null;
  done: boolean;
  /** Faces that it shuts and that are bare. */
  bare: string[];
  /** It may be shut all the same, for this reason. */
  overruled: { reason: string; by: string; at: string } | null;
}
/** What goes onto each side of the metal. */
export interface SystemsView {
  systems: CoatSystems;
  /** Nobody has said otherwise. */
  usual: boolean;
  /** Of the house rules. */
  version: number;
}
export interface SystemsInput {
  systems: CoatSystems | null;
  version: number;
}

export interface CloseView {
  systems: SystemsView;
  faces: FaceView[];
  repairs: ClosingRepair[];
  products: ProductView[];
  /** °C of the shop. */
  temperature: number;
  /** What will not wait, soonest first. */
  reminders: Reminder[];
  /** What its coats still take. */
  needs: NeedView[];
}

/** Something that ends: bare metal that gets wet, or the hours in which the next coat may go on. */
export interface Reminder {
  kind: 'bare' | 'next';
  vehicle: string;
  car: string;
  /** What it is about, as a person calls it. */
  what: string;
  /** What to do. */
  todo: string;
  /** Since when the metal lies bare; null for a coat. */
  since: string | null;
  /** When the next coat may go on at the earliest; null where nothing is waited for. */
  from: string | null;
  /** When it is over; null where the forecast does not reach so far. */
  until: string | null;
  passed: boolean;
  /** Hours for which bare metal has been wet so far; null for a coat. */
  wet: number | null;
}

/** How much of a product is still needed, in litres and in cans as they are sold. */
export interface NeedView {
  kind: CoatKind;
  name: string;
  litres: number;
  cans: number;
  can: number;
}
export interface Overrule {
  repair: string;
  /** Empty takes it back. */
  reason: string;
}
