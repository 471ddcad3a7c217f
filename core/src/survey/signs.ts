import type { ZoneClass } from './panelState.ts';

/** What an inspector may find at a place, and what it usually means; common practice, no published source. */
export interface Sign {
  id: SignId;
  title: string;
  meaning: string;
  /** What a zone with this find in it is at least. */
  class?: ZoneClass;
  /** How strong a sign of damage it is, 0 to 1. */
  weight: number;
}

export type SignId =
  | 'sound'
  | 'blister'
  | 'pinholes'
  | 'flaking'
  | 'hole'
  | 'filler'
  | 'filler-over-hole'
  | 'old-patch'
  | 'poor-weld'
  | 'tapered-gap'
  | 'packed-dirt'
  | 'blocked-drain'
  | 'stray-hole'
  | 'flash-rust'
  | 'stuck-nut';

export const SIGNS: readonly Sign[] = [
  { id: 'sound', title: 'Looks sound', meaning: 'Nothing shows. What does not show may still be there.', weight: 0 },
  {
    id: 'blister',
    title: 'Small blisters',
    meaning: 'Rust from behind: the damage is several times the blister, and the next layer is likely to have it too.',
    class: 'pitted',
    weight: 0.7,
  },
  {
    id: 'pinholes',
    title: 'Pinholes, dark metal',
    meaning: 'The sheet is pitted most of the way through. It looks solid and cannot be welded to.',
    class: 'thin',
    weight: 0.8,
  },
  {
    id: 'flaking',
    title: 'Flaking on the back',
    meaning: 'Thin, though the front looks fine: measure or cut.',
    class: 'thin',
    weight: 0.7,
  },
  { id: 'hole', title: 'Rusted through', meaning: 'Gone here; look at the layer behind.', class: 'through', weight: 1 },
  {
    id: 'filler',
    title: 'Thick filler',
    meaning: 'A dent filled instead of beaten out; may hide tearing or an old patch.',
    class: 'filler',
    weight: 0.6,
  },
  {
    id: 'filler-over-hole',
    title: 'Filler or sealer over a hole',
    meaning: 'A disguised failure. Nothing there counts as strength.',
    class: 'through',
    weight: 1,
  },
  {
    id: 'old-patch',
    title: 'Lapped, riveted or tacked patch',
    meaning: 'An earlier repair to be removed whole; rust lies between the sheets.',
    class: 'old-repair',
    weight: 0.9,
  },
  {
    id: 'poor-weld',
    title: 'Weld that stands proud or peels',
    meaning: 'No penetration: the joint must be made again, whatever the panel looks like.',
    class: 'old-repair',
    weight: 0.8,
  },
  {
    id: 'tapered-gap',
    title: 'Gap tight at one end, wide at the other',
    meaning: 'The body has sagged at a mount. Find the mount before touching the gap.',
    weight: 0.6,
  },
  {
    id: 'packed-dirt',
    title: 'Packed dirt or nest',
    meaning: 'The reason for the rust: unless the repair cures it, the rust comes back.',
    weight: 0.5,
  },
  {
    id: 'blocked-drain',
    title: 'Drain blocked or missing',
    meaning: 'Water stands behind it. Open it now and look inside.',
    weight: 0.6,
  },
  {
    id: 'stray-hole',
    title: 'Hole that does not belong',
    meaning: 'From an accessory, wrong trim or an earlier mounting: to be welded up.',
    weight: 0.2,
  },
  {
    id: 'flash-rust',
    title: 'Flash rust on bare metal',
    meaning: 'It has stood bare too long: prime soon.',
    weight: 0.2,
  },
  {
    id: 'stuck-nut',
    title: 'Stuck captive nut, lost thread',
    meaning: 'Make a small piece with a new nut, located from the old one before that is cut out.',
    weight: 0.2,
  },
];

export const signOf = (id: SignId): Sign => SIGNS.find((sign) => sign.id === id)!;
export const classOfSign = (id: SignId): ZoneClass | undefined => signOf(id).class;
