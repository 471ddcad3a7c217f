import { circle, flatten, roundedRectangle, type Point, type Ring } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';

/* Front and rear seen square on. u = 0 at the centre line, v as on the flank. */
export const END_HALF_WIDTH = 760;

/** Closes a half outline, drawn from the lower centre to the upper centre, with its mirror image. */
export function symmetric(rightHalf: readonly Point[]): Ring {
  const left = [...rightHalf].reverse().map(([u, v]): Point => [-u, v]);
  return [...rightHalf, ...left].filter(
    (p, i, all) => Math.hypot(p[0] - all[(i + 1) % all.length]![0], p[1] - all[(i + 1) % all.length]![1]) > 0.01,
  );
}

const both = (make: (sign: 1 | -1) => Ring): [Ring, Ring] => [make(-1), make(1)];
const lamps = both((sign) => circle([sign * 560, 476], 92));
const sideLamps = both((sign) => circle([sign * 560, 306], 36));

const FRONT_LOWER: Point[] = flatten(
  [0, 214],
  [
    [
      [300, 214],
      [560, 220],
      [700, 246],
    ],
  ],
);

const frontPanel: DrawnPanel = {
  id: 'front-panel',
  name: 'Front panel',
  outline: symmetric([
    ...FRONT_LOWER,
    ...flatten(
      [700, 246],
      [
        [
          [732, 320],
          [740, 420],
          [728, 520],
        ],
        [
          [716, 572],
          [676, 606],
          [610, 620],
        ],
        [
          [420, 644],
          [200, 652],
          [0, 652],
        ],
      ],
    ).slice(1),
  ]),
  holes: [
    { id: 'grille', name: 'Grille opening', kind: 'opening', outline: roundedRectangle(-400, 372, 400, 572, 46) },
    { id: 'lamp-r', name: 'Headlamp opening', kind: 'opening', outline: lamps[0] },
    { id: 'lamp-l', name: 'Headlamp opening', kind: 'opening', outline: lamps[1] },
    { id: 'side-r', name: 'Side lamp opening', kind: 'opening', outline: sideLamps[0] },
    { id: 'side-l', name: 'Side lamp opening', kind: 'opening', outline: sideLamps[1] },
    { id: 'badge', name: 'Air slot', kind: 'opening', outline: roundedRectangle(-260, 268, 260, 300, 15) },
  ],
  creases: [
    { id: 'grille-step', name: 'Grille surround', line: [...roundedRectangle(-428, 346, 428, 598, 64)] },
    {
      id: 'lower',
      name: 'Lower fold',
      line: flatten(
        [-716, 340],
        [
          [
            [-500, 322],
            [500, 322],
            [716, 340],
          ],
        ],
      ),
    },
  ],
  layers: single(0.9),
  curvature: 'double',
};

const frontValance: DrawnPanel = {
  id: 'front-valance',
  name: 'Front valance',
  outline: symmetric([
    ...flatten(
      [0, 70],
      [
        [
          [280, 70],
          [500, 82],
          [620, 128],
        ],
        [
          [656, 150],
          [684, 190],
          [700, 238],
        ],
      ],
    ),
    ...FRONT_LOWER.map(([u, v]): Point => [u, v - 8]).reverse(),
  ]),
  holes: [{ id: 'slot', name: 'Cooling slot', kind: 'opening', outline: roundedRectangle(-210, 110, 210, 140, 14) }],
  creases: [
    {
      id: 'roll',
      name: 'Lower roll',
      line: flatten(
        [-600, 134],
        [
          [
            [-480, 92],
            [480, 92],
            [600, 134],
          ],
        ],
      ),
    },
  ],
  layers: single(0.9),
  curvature: 'double',
};

const slamPanel: DrawnPanel = {
  id: 'slam-panel',
  name: 'Bonnet slam panel',
  outline: symmetric([
    ...flatten(
      [0, 664],
      [
        [
          [220, 664],
          [430, 656],
          [620, 632],
        ],
      ],
    ),
    [626, 690],
    ...flatten(
      [626, 690],
      [
        [
          [430, 730],
          [220, 738],
          [0, 738],
        ],
      ],
    ).slice(1),
  ]),
  holes: [
    { id: 'catch', name: 'Catch hole', kind: 'hole', outline: circle([0, 700], 22) },
    { id: 'prop', name: 'Prop hole', kind: 'hole', outline: circle([-470, 676], 9) },
  ],
  creases: [
    {
      id: 'step',
      name: 'Seal step',
      line: flatten(
        [-622, 660],
        [
          [
            [-430, 690],
            [430, 690],
            [622, 660],
          ],
        ],
      ),
    },
  ],
  layers: [steel('outer', 'Upper sheet', 1.0), steel('lower', 'Lower sheet', 1.0)],
  curvature: 'single',
  visible: false,
};

export const frontPanels = [slamPanel, frontPanel, frontValance];

const TAIL_LOWER: Point[] = flatten(
  [0, 250],
  [
    [
      [300, 250],
      [560, 254],
      [690, 268],
    ],
  ],
);
const tailLamps = both((sign) =>
  flatten(
    [sign * 598, 402],
    [
      [sign * 690, 396],
      [
        [sign * 706, 470],
        [sign * 704, 560],
        [sign * 690, 632],
      ],
      [sign * 598, 626],
    ],
  ),
);

const tailPanel: DrawnPanel = {
  id: 'tail-panel',
  name: 'Tail panel',
  outline: symmetric([
    ...TAIL_LOWER,
    ...flatten(
      [690, 268],
      [
        [
          [722, 340],
          [730, 470],
          [718, 600],
        ],
        [
          [712, 650],
          [692, 676],
          [650, 686],
        ],
        [590, 690],
        [
          [580, 640],
          [572, 604],
          [556, 588],
        ],
        [
          [420, 576],
          [200, 572],
          [0, 572],
        ],
      ],
    ).slice(1),
  ]),
  holes: [
    { id: 'lamp-l', name: 'Lamp opening', kind: 'opening', outline: tailLamps[0] },
    { id: 'lamp-r', name: 'Lamp opening', kind: 'opening', outline: tailLamps[1] },
    { id: 'lock', name: 'Boot lock hole', kind: 'hole', outline: circle([0, 534], 16) },
  ],
  creases: [
    { id: 'plate', name: 'Number plate recess', line: [...roundedRectangle(-280, 330, 280, 470, 20)] },
    {
      id: 'fold',
      name: 'Lower fold',
      line: flatten(
        [-712, 330],
        [
          [
            [-500, 300],
            [500, 300],
            [712, 330],
          ],
        ],
      ),
    },
  ],
  layers: single(0.9),
  curvature: 'single',
};

const rearValance: DrawnPanel = {
  id: 'rear-valance',
  name: 'Rear valance',
  outline: symmetric([
    ...flatten(
      [0, 104],
      [
        [
          [280, 104],
          [480, 112],
          [600, 150],
        ],
        [
          [650, 172],
          [680, 214],
          [692, 260],
        ],
      ],
    ),
    ...TAIL_LOWER.map(([u, v]): Point => [u, v - 8]).reverse(),
  ]),
  holes: [
    { id: 'exhaust', name: 'Exhaust cut-out', kind: 'opening', outline: roundedRectangle(330, 124, 450, 168, 18) },
  ],
  creases: [
    {
      id: 'roll',
      name: 'Lower roll',
      line: flatten(
        [-580, 158],
        [
          [
            [-460, 126],
            [460, 126],
            [580, 158],
          ],
        ],
      ),
    },
  ],
  layers: single(0.9),
  curvature: 'double',
};

export const rearPanels = [tailPanel, rearValance];
