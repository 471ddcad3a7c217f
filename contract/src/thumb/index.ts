/** Subjects in the order of the work. */
export const THUMB_SUBJECTS = {
  decide: 'Deciding',
  hold: 'Bracing and holding',
  cut: 'Cutting and parting',
  shape: 'Making the piece',
  fit: 'Trial fits',
  joint: 'Joints and spacing',
  weld: 'Welding',
  dress: 'Dressing and filler',
  coat: 'Coats',
} as const;
export type ThumbSubject = keyof typeof THUMB_SUBJECTS;

export interface ThumbRule {
  /** By which the source of a figure names it; it is never shown. */
  id: string;
  subject: ThumbSubject;
  /** Lengths in mm, as everywhere. */
  text: string;
}

/**
 * Rules of thumb on which figures of the application rest. Common practice of the trade, no published source; the
 * sentences are our own. Where a shop does otherwise, its house rules count.
 */
export const THUMB_RULES: readonly ThumbRule[] = [
  {
    id: 'T-26',
    subject: 'decide',
    text: 'A blister stands for several times its own size, and for rust in the sheet behind.',
  },
  { id: 'T-28', subject: 'decide', text: 'A repair panel is nearly always larger than what has to come out.' },
  {
    id: 'T-29',
    subject: 'decide',
    text: 'Common panels come the next day; rare ones are on back order for weeks or months.',
  },
  {
    id: 'T-32',
    subject: 'decide',
    text: 'No bought panel fits as it comes: reckon with trimming and with work on its flanges.',
  },
  {
    id: 'T-27',
    subject: 'decide',
    text: 'A door is stripped in about 1.5 h, a small curved patch made in half an hour, the end of a bracket built up in 2.5 h; the metalwork of a wholly rusty body fills half a year of spare time.',
  },
  {
    id: 'T-18',
    subject: 'decide',
    text: 'Filler or sealer over a hole in what carries load, or beside a mount, is a defect however thin it is.',
  },
  { id: 'T-15', subject: 'hold', text: 'Braces go in before anything is cut, and come out last of all.' },
  { id: 'T-31', subject: 'hold', text: 'A locating point that is 1 mm off shows as 25 mm at the far end.' },
  {
    id: 'T-12',
    subject: 'cut',
    text: 'The first cut stays 12 mm or more inside of the final line: a sheet that is freed springs as far as that.',
  },
  {
    id: 'T-13',
    subject: 'cut',
    text: 'A disc of 1 mm through both sheets at once leaves a joint as wide as the disc.',
  },
  { id: 'T-16', subject: 'cut', text: 'A part needs 50 mm of play in all to pass through its opening.' },
  {
    id: 'T-22',
    subject: 'cut',
    text: 'A spot weld that can be reached is drilled out in 1.5 to 2 minutes; a pilot hole keeps the cutter in place.',
  },
  {
    id: 'T-36',
    subject: 'cut',
    text: 'A hemmed skin is ground through at its edge and the strip peeled off. The new hem is folded in several passes and held by three to five small welds a side; folded too far at once, its corner cracks.',
  },
  {
    id: 'T-37',
    subject: 'cut',
    text: 'A slam panel has about twenty spots, some 20 minutes of drilling; its bolts say where the new one sits before it is welded.',
  },
  {
    id: 'T-03',
    subject: 'shape',
    text: 'A blank for a hand-formed cover is cut about 75 mm larger than measured, and trimmed in place.',
  },
  {
    id: 'T-04',
    subject: 'shape',
    text: 'Sheet of 1.2 mm that is rolled round a pipe of 254 mm opens again to about 406 mm.',
  },
  { id: 'T-05', subject: 'shape', text: 'Between a tunnel and what turns below it there stay 40 to 50 mm.' },
  {
    id: 'T-23',
    subject: 'shape',
    text: 'At a folded corner 6 mm and more stand over: it is notched, never folded twice.',
  },
  {
    id: 'T-24',
    subject: 'shape',
    text: 'A curved flange that has to shrink is slit into tabs with a wedge taken out at each slit; one that has to stretch is slit only.',
  },
  {
    id: 'T-25',
    subject: 'shape',
    text: 'The lip of a wheel opening is made good with flat bar of 3 mm, bent to the arch of a sound one.',
  },
  {
    id: 'T-42',
    subject: 'shape',
    text: 'Bought pans come long: 25 to 60 mm stay on beyond the line until the last fit. One that is short gets a filler strip and a second joint.',
  },
  {
    id: 'T-01',
    subject: 'fit',
    text: 'A butt may gape by one thickness of sheet. Up to about 3 mm the piece is trimmed nearer; at 10 mm it is made again.',
  },
  {
    id: 'T-02',
    subject: 'fit',
    text: 'A line is crept up on: half of what is left comes off, then the piece is tried again, with another colour of pen.',
  },
  {
    id: 'T-30',
    subject: 'fit',
    text: 'Four or five trial fits are usual; one large panel takes half an hour of adjusting and more.',
  },
  {
    id: 'T-41',
    subject: 'fit',
    text: 'Screws or pins at every second old weld hold the new panel, and door, lid, glass and trim are hung to it before the first tack.',
  },
  {
    id: 'T-46',
    subject: 'fit',
    text: 'A gap that runs to nothing is trimmed as a wedge: what is wanting is marked at both ends and joined; one width of the blade at a time.',
  },
  {
    id: 'T-33',
    subject: 'fit',
    text: 'What was marked over an opening or an edge is mirrored to the other side once it has been tried on the first.',
  },
  {
    id: 'T-10',
    subject: 'joint',
    text: 'Plugs: holes of 5 mm every 32 to 38 mm, or of 8 mm every 50 mm; spots every 25 to 50 mm. As it was built, and evenly.',
  },
  {
    id: 'T-11',
    subject: 'joint',
    text: 'Plugs go from the middle outward, or from one end to the other; never from both ends inward.',
  },
  {
    id: 'T-38',
    subject: 'joint',
    text: 'A strip that stays of an old flange carries as many welds as before, in the old places; 12 mm of lip is enough to weld to, one thinned by grinding is not.',
  },
  {
    id: 'T-40',
    subject: 'joint',
    text: 'A lap belongs where it stays hidden, its lower edge outside so that water runs over it and is never held.',
  },
  { id: 'T-48', subject: 'joint', text: 'Every screw and pin leaves a hole: count them, and weld them shut.' },
  { id: 'T-06', subject: 'weld', text: 'A seam takes about a fifth less current than its tacks.' },
  {
    id: 'T-07',
    subject: 'weld',
    text: 'One end is tacked, then the other, then the middle, and then what lies between.',
  },
  {
    id: 'T-08',
    subject: 'weld',
    text: 'On a soft panel tacks stand about 13 mm apart with TIG, about 25 mm with MIG.',
  },
  {
    id: 'T-09',
    subject: 'weld',
    text: 'Stitches of about 13 mm, each left to cool, welded back towards the tack before.',
  },
  { id: 'T-14', subject: 'weld', text: 'Copper behind the joint takes up heat, and bridges a gap.' },
  { id: 'T-21', subject: 'weld', text: 'Coats come off only where a weld goes: five such spots in about two minutes.' },
  {
    id: 'T-43',
    subject: 'weld',
    text: 'With gas: a neutral flame and a small tip; the soft zone is long and can be planished, the heat goes wider than with TIG.',
  },
  {
    id: 'T-47',
    subject: 'weld',
    text: 'Aluminium: pure argon, alternating current, a brush of its own, no dust of steel. It is never fused to steel, and the two are kept apart.',
  },
  { id: 'T-34', subject: 'dress', text: 'Grinding warps a sheet as welding does: short touches, and let it cool.' },
  {
    id: 'T-35',
    subject: 'dress',
    text: 'An edge can be built up by beads for a few millimetres; beyond that a strip is let in.',
  },
  {
    id: 'T-17',
    subject: 'dress',
    text: 'Ordinary filler up to 6 mm, metal-filled up to 12 mm, 1.5 mm and less in good work; feathered out 25 mm and more.',
  },
  {
    id: 'T-39',
    subject: 'dress',
    text: 'A low edge is brought up by a wedge of filler from 1.5 mm to at most 6 mm, over 25 mm and more; beyond that by beads of 1 to 1.5 mm, beyond that by a strip.',
  },
  {
    id: 'T-19',
    subject: 'coat',
    text: 'Two-pack epoxy stands 24 h, later it is scuffed with 120 grit; bed coat 48 h; primer overnight before sealer.',
  },
  { id: 'T-20', subject: 'coat', text: 'Bare steel rusts within a day or two of wet weather.' },
  {
    id: 'T-44',
    subject: 'coat',
    text: 'Primer overnight, then sealer, then stone chip or underbody coat, then paint; such a coat stands about 48 h before the road.',
  },
  {
    id: 'T-45',
    subject: 'coat',
    text: 'Two-pack epoxy is not welded through: seams stay bare or in zinc primer, and are coated afterwards.',
  },
];

/** The sentence of a rule; nothing where there is none of that name. */
export const thumbRule = (id: string): ThumbRule | undefined => THUMB_RULES.find((rule) => rule.id === id);
