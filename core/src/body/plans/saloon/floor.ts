import { circle, flatten, roundedRectangle, type Point, type Ring } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';

/* The floor seen from below, front to the left; left side of the car above the centre line v = 0. */

const bead = (u: number, fromV: number, toV: number): Point[] => [
  [u, fromV],
  [u, toV],
];
const TUNNEL_EDGE: Point[] = flatten(
  [1190, 168],
  [
    [
      [1400, 132],
      [1600, 112],
      [1800, 108],
    ],
    [2116, 104],
  ],
);
const tray: Ring = [...TUNNEL_EDGE, [2116, 604], [2108, 612], [1198, 612], [1190, 604]];

export const floorPairs: readonly DrawnPanel[] = [
  {
    id: 'floor-front',
    name: 'Front floor',
    outline: tray,
    holes: [
      { id: 'drain-1', name: 'Floor drain', kind: 'drain', outline: circle([1300, 520], 16) },
      { id: 'drain-2', name: 'Floor drain', kind: 'drain', outline: circle([2020, 420], 16) },
    ],
    creases: [1360, 1480, 1600, 1720, 1840, 1960].map((u, i) => ({
      id: `bead-${i + 1}`,
      name: 'Stiffening bead',
      line: bead(u, 210, 540),
    })),
    flanges: [
      {
        id: 'edge',
        name: 'Flange to inner sill',
        outline: [
          [1198, 596],
          [2116, 596],
          [2108, 612],
          [1198, 612],
        ],
      },
    ],
    mounts: [
      { id: 'seat-1', name: 'Seat mount', at: [1560, 480] },
      { id: 'seat-2', name: 'Seat mount', at: [1900, 480] },
    ],
    layers: single(1.2),
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'floor-rear',
    name: 'Rear seat floor',
    outline: flatten(
      [2256, 6],
      [
        [2690, 6],
        [2690, 430],
        [
          [2690, 520],
          [2650, 580],
          [2560, 598],
        ],
        [2256, 612],
      ],
    ),
    holes: [{ id: 'drain', name: 'Floor drain', kind: 'drain', outline: circle([2330, 520], 16) }],
    creases: [2350, 2470, 2590].map((u, i) => ({
      id: `bead-${i + 1}`,
      name: 'Stiffening bead',
      line: bead(u, 80, 420),
    })),
    mounts: [{ id: 'belt', name: 'Belt anchorage', at: [2420, 540] }],
    layers: single(1.0),
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'leg-front',
    name: 'Front chassis leg',
    outline: flatten(
      [150, 352],
      [
        [560, 352],
        [
          [760, 352],
          [860, 340],
          [960, 300],
        ],
        [1180, 220],
        [1180, 330],
        [
          [1020, 394],
          [900, 440],
          [760, 444],
        ],
        [150, 444],
      ],
    ),
    holes: [
      { id: 'drain', name: 'Leg drain', kind: 'drain', outline: circle([1080, 318], 9) },
      { id: 'steer', name: 'Locating hole', kind: 'hole', outline: circle([300, 398], 15) },
    ],
    creases: [
      {
        id: 'rib-upper',
        name: 'Flange fold',
        line: [
          [150, 430],
          [760, 430],
        ],
      },
      {
        id: 'rib-lower',
        name: 'Flange fold',
        line: [
          [150, 366],
          [560, 366],
        ],
      },
    ],
    mounts: [
      { id: 'suspension', name: 'Front suspension mount', at: [640, 398] },
      { id: 'engine', name: 'Engine mount', at: [470, 398] },
    ],
    layers: [steel('outer', 'Channel', 1.6), steel('plate', 'Closing plate', 1.6)],
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'leg-rear',
    name: 'Rear chassis leg',
    outline: flatten(
      [2700, 440],
      [
        [
          [2860, 430],
          [3040, 404],
          [3180, 404],
        ],
        [3740, 404],
        [3740, 494],
        [3180, 494],
        [
          [3040, 494],
          [2860, 530],
          [2700, 540],
        ],
      ],
    ),
    holes: [{ id: 'drain', name: 'Leg drain', kind: 'drain', outline: circle([2780, 490], 9) }],
    creases: [
      {
        id: 'fold',
        name: 'Flange fold',
        line: [
          [3180, 480],
          [3740, 480],
        ],
      },
    ],
    mounts: [
      { id: 'spring-front', name: 'Front spring mount', at: [2740, 490] },
      { id: 'spring-rear', name: 'Rear spring mount', at: [3560, 449] },
    ],
    layers: [steel('outer', 'Channel', 1.6), steel('plate', 'Closing plate', 1.6)],
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'boot-drop',
    name: 'Boot side well',
    outline: flatten(
      [3330, 502],
      [
        [3740, 502],
        [3760, 520],
        [
          [3760, 600],
          [3720, 660],
          [3640, 668],
        ],
        [3380, 668],
        [
          [3350, 668],
          [3332, 640],
          [3330, 600],
        ],
      ],
    ),
    holes: [{ id: 'drain', name: 'Well drain', kind: 'drain', outline: circle([3420, 630], 10) }],
    creases: [
      {
        id: 'bead',
        name: 'Stiffening bead',
        line: [
          [3390, 585],
          [3690, 585],
        ],
      },
    ],
    layers: single(0.9),
    curvature: 'double',
    visible: false,
  },
];

const mirrorRing = (upper: readonly Point[]): Ring => [
  ...upper,
  ...[...upper].reverse().map(([u, v]): Point => [u, -v]),
];

export const floorCentre: readonly DrawnPanel[] = [
  {
    id: 'crossmember',
    name: 'Front crossmember',
    outline: roundedRectangle(560, -346, 700, 346, 14),
    holes: [
      { id: 'hole-1', name: 'Lightening hole', kind: 'hole', outline: circle([630, -150], 32) },
      { id: 'hole-2', name: 'Lightening hole', kind: 'hole', outline: circle([630, 150], 32) },
    ],
    creases: [
      {
        id: 'fold-1',
        name: 'Flange fold',
        line: [
          [580, -340],
          [580, 340],
        ],
      },
      {
        id: 'fold-2',
        name: 'Flange fold',
        line: [
          [680, -340],
          [680, 340],
        ],
      },
    ],
    mounts: [
      { id: 'arm-l', name: 'Suspension arm mount', at: [630, 290] },
      { id: 'arm-r', name: 'Suspension arm mount', at: [630, -290] },
    ],
    layers: [steel('outer', 'Channel', 2.0)],
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'tunnel',
    name: 'Transmission tunnel',
    outline: mirrorRing([
      [2240, 98],
      [2116, 100],
      ...[...TUNNEL_EDGE]
        .reverse()
        .slice(1)
        .map(([u, v]): Point => [u, v - 4]),
      [1130, 176],
    ]),
    holes: [
      { id: 'lever', name: 'Gear lever opening', kind: 'opening', outline: circle([1560, 0], 62) },
      { id: 'brake', name: 'Handbrake slot', kind: 'opening', outline: roundedRectangle(1900, -20, 2010, 20, 16) },
    ],
    creases: [
      {
        id: 'edge-l',
        name: 'Tunnel fold',
        line: flatten(
          [1190, 130],
          [
            [
              [1400, 100],
              [1600, 84],
              [2200, 78],
            ],
          ],
        ),
      },
      {
        id: 'edge-r',
        name: 'Tunnel fold',
        line: flatten(
          [1190, -130],
          [
            [
              [1400, -100],
              [1600, -84],
              [2200, -78],
            ],
          ],
        ),
      },
    ],
    mounts: [{ id: 'gearbox', name: 'Gearbox mount', at: [1740, 0] }],
    layers: single(1.0),
    curvature: 'single',
    structural: true,
    visible: false,
  },
  {
    id: 'heel-board',
    name: 'Heel board',
    outline: [
      [2124, 110],
      [2124, 612],
      [2248, 612],
      [2248, -612],
      [2124, -612],
      [2124, -110],
      [2244, -104],
      [2244, 104],
    ],
    creases: [
      {
        id: 'fold-f',
        name: 'Lower fold',
        line: [
          [2140, 130],
          [2140, 604],
        ],
      },
      {
        id: 'fold-r',
        name: 'Upper fold',
        line: [
          [2232, 130],
          [2232, 604],
        ],
      },
    ],
    mounts: [
      { id: 'arm-l', name: 'Trailing arm mount', at: [2186, 520] },
      { id: 'arm-r', name: 'Trailing arm mount', at: [2186, -520] },
    ],
    layers: single(1.2),
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'boot-floor',
    name: 'Boot floor',
    outline: mirrorRing([
      [2700, 430],
      ...flatten(
        [2700, 430],
        [
          [
            [2860, 420],
            [3040, 394],
            [3180, 394],
          ],
          [3800, 394],
        ],
      ).slice(1),
    ])
      .slice()
      .reverse(),
    holes: [
      { id: 'drain', name: 'Wheel well drain', kind: 'drain', outline: circle([3330, -60], 18) },
      { id: 'axle', name: 'Bump stop hole', kind: 'hole', outline: circle([2860, 0], 24) },
    ],
    creases: [
      { id: 'well', name: 'Spare wheel well', line: [...circle([3330, -60], 292), [3330 + 292, -60]] },
      { id: 'well-inner', name: 'Well bottom', line: [...circle([3330, -60], 236), [3330 + 236, -60]] },
      {
        id: 'bead-1',
        name: 'Stiffening bead',
        line: [
          [2800, -320],
          [2800, 320],
        ],
      },
      {
        id: 'bead-2',
        name: 'Stiffening bead',
        line: [
          [2940, -300],
          [2940, 300],
        ],
      },
      {
        id: 'bead-3',
        name: 'Stiffening bead',
        line: [
          [3700, -330],
          [3700, 330],
        ],
      },
    ],
    layers: single(0.9),
    curvature: 'flat',
    visible: false,
  },
];
