import { boxOf } from '../../../geometry/index.ts';
import type { DatumPoint, Figure, Frame, HungMount, HungPart, Panel } from '../../types.ts';

/** x back, y to the left, z up, mm: given for the left side, mirrored to the right. */
type Half = readonly [id: string, name: string, x: number, y: number, z: number];

interface Around {
  hinge: string[];
  above: string[];
  lock: string[];
  below: string[];
}
/** As most bodies have it. */
const USUAL_AROUND: Around = {
  hinge: ['hinge-post', 'pillar'],
  above: ['pillar'],
  lock: ['lock-post'],
  below: ['sill'],
};

export interface DrawnFrame {
  /** The four corners of the door's opening: how far back its foot at the hinges, its upper front corner and its lock edge lie, how high, and how far from the middle of the car; mm. */
  door: { hinge: number; corner: number; lock: number; foot: number; head: number; halfFoot: number; halfHead: number };
  /** Points of the floor or the frame, from the front to the back. */
  under: readonly Half[];
  /** Four corners of the opening under the bonnet or front lid, and under the boot lid, as two pairs each. */
  openings?: readonly {
    id: string;
    name: string;
    pairs: readonly [Half, Half];
    sides: [string[], string[], string[]];
  }[];
  /** Panels that hold the door's opening: at the hinges, above, at the lock, below; without their side. */
  around?: Partial<Around>;
  /** Panels that hold the two sides apart, below and above. */
  across: { below: string[]; above: string[] };
  hung: readonly HungPart[];
}

const both = ([id, name, x, y, z]: Half): DatumPoint[] => [
  { id: `${id}-l`, name: `${name}, left`, at: [x, y, z] },
  { id: `${id}-r`, name: `${name}, right`, at: [x, -y, z] },
];
const pairOf = ([id]: Half): [string, string] => [`${id}-l`, `${id}-r`];

/** The points of a body and the figures they make: both door openings, the section at each post, the floor, the lids. */
export function frameOf({ door, under, openings = [], around: own = {}, across, hung }: DrawnFrame): Frame {
  const around = { ...USUAL_AROUND, ...own };
  const corners: Half[] = [
    ['hinge-foot', 'Foot of the hinge post', door.hinge, door.halfFoot, door.foot],
    ['hinge-head', 'Front upper corner of the door opening', door.corner, door.halfHead, door.head],
    ['lock-head', 'Rear upper corner of the door opening', door.lock, door.halfHead, door.head],
    ['lock-foot', 'Foot of the lock post', door.lock, door.halfFoot, door.foot],
  ];
  const sided = (ids: readonly string[], side: 'l' | 'r') => ids.map((id) => `${id}-${side}`);
  const opening = (side: 'l' | 'r', word: string): Figure => {
    const [a, b, c, d] = corners.map(([id]) => `${id}-${side}`) as [string, string, string, string];
    return {
      id: `door-${side}`,
      name: `Door opening, ${word}`,
      points: [a, b, c, d],
      sides: [
        { ends: [a, b], panels: sided(around.hinge, side) },
        { ends: [b, c], panels: sided(around.above, side) },
        { ends: [c, d], panels: sided(around.lock, side) },
        { ends: [d, a], panels: sided(around.below, side) },
      ],
      blocks:
        'The door cannot be hung or shut while a brace stands in its opening: try it before, or brace behind the flange.',
    };
  };
  const section = (id: string, name: string, foot: Half, head: Half, post: readonly string[]): Figure => {
    const [[fl, fr], [hl, hr]] = [pairOf(foot), pairOf(head)];
    return {
      id,
      name,
      points: [fl, hl, hr, fr],
      sides: [
        { ends: [fl, hl], panels: sided(post, 'l') },
        { ends: [hl, hr], panels: across.above },
        { ends: [hr, fr], panels: sided(post, 'r') },
        { ends: [fr, fl], panels: across.below },
      ],
      blocks: 'Seats and floor work are in its way: set it above the seat rails.',
    };
  };
  const lids = openings.map(({ id, name, pairs: [first, second], sides: [left, ahead, behind] }): Figure => {
    const [[al, ar], [bl, br]] = [pairOf(first), pairOf(second)];
    return {
      id,
      name,
      points: [al, ar, br, bl],
      sides: [
        { ends: [al, ar], panels: ahead },
        { ends: [ar, br], panels: sided(left, 'r') },
        { ends: [br, bl], panels: behind },
        { ends: [bl, al], panels: sided(left, 'l') },
      ],
      blocks: 'The lid cannot be shut while a brace stands in its opening.',
    };
  });
  return {
    points: [...corners, ...under, ...openings.flatMap(({ pairs }) => pairs)].flatMap(both),
    figures: [
      opening('l', 'left'),
      opening('r', 'right'),
      section('hinge-posts', 'Across at the hinge posts', corners[0]!, corners[1]!, around.hinge),
      section('lock-posts', 'Across at the lock posts', corners[3]!, corners[2]!, around.lock),
      { id: 'under', name: 'Floor and frame, from below', points: under.flatMap(pairOf), sides: [], blocks: '' },
      ...lids,
    ],
    hung,
  };
}

/** A part that hangs on mounts whose places are told as shares of its width and height. */
export function hangs(
  panels: readonly Panel[],
  {
    id,
    name,
    panel,
    shimmed,
    at,
  }: {
    id: string;
    name: string;
    panel: string;
    shimmed: HungPart['shimmed'];
    at: readonly [id: string, name: string, u: number, v: number, on?: readonly string[]][];
  },
): HungPart {
  const { maxU, maxV } = boxOf(panels.find((one) => one.id === panel)!.outline);
  return {
    id,
    name,
    panel,
    shimmed,
    mounts: at.map(([mount, word, u, v, on = []]): HungMount => ({
      ...{ id: mount, name: word, on },
      at: [u * maxU, v * maxV],
    })),
  };
}

/** Both doors on their hinges; the right one looks the other way. */
export const hungDoors = (panels: readonly Panel[]): HungPart[] =>
  (['l', 'r'] as const).map((side) =>
    hangs(panels, {
      id: `door-${side}`,
      name: `Door on its hinges, ${side === 'l' ? 'left' : 'right'}`,
      panel: `door-skin-${side}`,
      shimmed: 'along',
      at: [
        ['upper', 'Upper hinge', side === 'l' ? 0.02 : 0.98, 0.5, [`hinge-post-${side}`]],
        ['lower', 'Lower hinge', side === 'l' ? 0.02 : 0.98, 0.15, [`hinge-post-${side}`]],
      ],
    }),
  );

/** A lid on two hinges and a catch, with what carries them, seen from above with its front to the left. */
export const hungLid = (
  panels: readonly Panel[],
  panel: string,
  { name, hinges, on }: { name: string; hinges: 'front' | 'rear'; on: { hinges: string; catch: string } },
): HungPart => {
  const [hinge, latch] = hinges === 'front' ? [0.05, 0.97] : [0.95, 0.03];
  return hangs(panels, {
    id: panel,
    name,
    panel,
    shimmed: null,
    at: [
      ['hinge-l', 'Left hinge', hinge, 0.85, [on.hinges]],
      ['hinge-r', 'Right hinge', hinge, 0.15, [on.hinges]],
      ['catch', 'Catch', latch, 0.5, [on.catch]],
    ],
  });
};
