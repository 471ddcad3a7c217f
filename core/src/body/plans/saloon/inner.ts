import { arc, circle, flatten, roundedRectangle, type Point } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';
import { symmetric } from './ends.ts';

/* Inner structure with the skin off, side by side, each in its own stretch of the sheet; left row. */

export const innerPairs: readonly DrawnPanel[] = [
  {
    id: 'inner-wing',
    name: 'Inner wing',
    outline: [
      [20, 40],
      [170, 40],
      ...arc([480, 40], 300, 176, 4),
      ...flatten(
        [779, 61],
        [
          [900, 80],
          [900, 520],
          [
            [700, 560],
            [300, 556],
            [60, 500],
          ],
          [
            [30, 480],
            [20, 440],
            [20, 400],
          ],
        ],
      ).slice(1),
    ],
    holes: [
      { id: 'strut', name: 'Strut top hole', kind: 'hole', outline: circle([480, 474], 46) },
      { id: 'loom', name: 'Loom hole', kind: 'hole', outline: circle([760, 460], 16) },
    ],
    creases: [
      {
        id: 'top',
        name: 'Upper fold',
        line: flatten(
          [40, 470],
          [
            [
              [300, 528],
              [700, 532],
              [898, 494],
            ],
          ],
        ),
      },
      { id: 'arch', name: 'Arch fold', line: arc([480, 40], 336, 168, 12) },
    ],
    mounts: [{ id: 'strut', name: 'Strut top mount', at: [480, 410] }],
    layers: single(1.0),
    curvature: 'double',
    structural: true,
    visible: false,
  },
  {
    id: 'hinge-post',
    name: 'Hinge post',
    outline: flatten(
      [980, 30],
      [
        [1150, 30],
        [1162, 180],
        [1146, 640],
        [1020, 660],
        [
          [1000, 480],
          [986, 240],
          [980, 30],
        ],
      ],
    ).slice(0, -1),
    holes: [
      { id: 'hinge-1', name: 'Hinge bolt hole', kind: 'hole', outline: circle([1100, 190], 9) },
      { id: 'hinge-2', name: 'Hinge bolt hole', kind: 'hole', outline: circle([1092, 520], 9) },
      { id: 'check', name: 'Check strap hole', kind: 'hole', outline: roundedRectangle(1056, 330, 1100, 370, 8) },
      { id: 'drain', name: 'Post drain', kind: 'drain', outline: circle([1040, 52], 9) },
    ],
    creases: [
      {
        id: 'fold',
        name: 'Flange fold',
        line: [
          [1004, 60],
          [1036, 640],
        ],
      },
    ],
    mounts: [
      { id: 'hinge-lower', name: 'Lower hinge', at: [1070, 190] },
      { id: 'hinge-upper', name: 'Upper hinge', at: [1068, 520] },
    ],
    layers: [steel('outer', 'Outer sheet', 1.2), steel('inner', 'Inner sheet', 1.0)],
    curvature: 'single',
    structural: true,
    visible: false,
  },
  {
    id: 'door-inner',
    name: 'Door inner',
    outline: flatten(
      [1270, 40],
      [
        [2190, 40],
        [
          [2220, 40],
          [2232, 60],
          [2234, 90],
        ],
        [
          [2244, 300],
          [2236, 480],
          [2222, 630],
        ],
        [1240, 630],
        [
          [1234, 420],
          [1238, 240],
          [1240, 70],
        ],
        [
          [1242, 50],
          [1252, 40],
          [1270, 40],
        ],
      ],
    ).slice(0, -1),
    holes: [
      { id: 'access-1', name: 'Access opening', kind: 'opening', outline: roundedRectangle(1320, 160, 1640, 420, 60) },
      { id: 'access-2', name: 'Access opening', kind: 'opening', outline: roundedRectangle(1730, 190, 2060, 430, 60) },
      { id: 'lock', name: 'Lock opening', kind: 'opening', outline: roundedRectangle(2120, 330, 2190, 420, 14) },
      { id: 'drain-1', name: 'Door drain', kind: 'drain', outline: roundedRectangle(1400, 46, 1430, 54, 3) },
      { id: 'drain-2', name: 'Door drain', kind: 'drain', outline: roundedRectangle(2040, 46, 2070, 54, 3) },
    ],
    creases: [
      {
        id: 'lower',
        name: 'Lower fold',
        line: [
          [1246, 96],
          [2232, 96],
        ],
      },
      {
        id: 'belt',
        name: 'Belt stiffener',
        line: [
          [1242, 560],
          [2228, 560],
        ],
      },
    ],
    layers: single(0.9),
    curvature: 'flat',
    visible: false,
  },
  {
    id: 'lock-post',
    name: 'Lock post',
    outline: flatten(
      [2320, 30],
      [
        [2500, 30],
        [
          [2490, 220],
          [2470, 480],
          [2462, 660],
        ],
        [2340, 660],
        [
          [2346, 440],
          [2330, 240],
          [2320, 30],
        ],
      ],
    ).slice(0, -1),
    holes: [
      { id: 'striker', name: 'Striker hole', kind: 'hole', outline: roundedRectangle(2372, 360, 2402, 420, 8) },
      { id: 'drain', name: 'Post drain', kind: 'drain', outline: circle([2410, 52], 9) },
    ],
    creases: [
      {
        id: 'fold',
        name: 'Flange fold',
        line: [
          [2356, 60],
          [2370, 640],
        ],
      },
    ],
    mounts: [{ id: 'belt', name: 'Belt anchorage', at: [2420, 200] }],
    layers: [steel('outer', 'Outer sheet', 1.2), steel('inner', 'Inner sheet', 1.0)],
    curvature: 'single',
    structural: true,
    visible: false,
  },
  {
    id: 'wheel-house',
    name: 'Rear wheel house',
    outline: [
      [2580, 40],
      ...arc([2960, 40], 292, 180, 0),
      ...flatten(
        [3252, 40],
        [
          [3340, 40],
          [
            [3340, 300],
            [3200, 470],
            [2960, 470],
          ],
          [
            [2720, 470],
            [2580, 300],
            [2580, 40],
          ],
        ],
      ).slice(1, -1),
    ],
    holes: [{ id: 'damper', name: 'Damper hole', kind: 'hole', outline: circle([2980, 418], 15) }],
    creases: [{ id: 'lip', name: 'Lip fold', line: arc([2960, 40], 318, 176, 4) }],
    mounts: [{ id: 'damper', name: 'Damper mount', at: [2980, 384] }],
    layers: single(1.0),
    curvature: 'double',
    structural: true,
    visible: false,
  },
];

export const innerCentre: readonly DrawnPanel[] = [
  {
    id: 'bulkhead',
    name: 'Bulkhead',
    outline: symmetric([
      [0, 200],
      [150, 200],
      ...flatten(
        [150, 200],
        [
          [
            [176, 120],
            [200, 60],
            [240, 40],
          ],
          [640, 40],
          [660, 560],
          [
            [440, 600],
            [200, 612],
            [0, 612],
          ],
        ],
      ).slice(1),
    ]).map(([u, v]): Point => [u + 4140, v + 720]),
    holes: [
      { id: 'pedal', name: 'Pedal box opening', kind: 'opening', outline: roundedRectangle(4440, 960, 4600, 1120, 20) },
      { id: 'column', name: 'Column hole', kind: 'hole', outline: circle([4500, 1190], 32) },
      { id: 'heater', name: 'Heater opening', kind: 'opening', outline: roundedRectangle(4060, 1180, 4260, 1270, 30) },
      { id: 'loom', name: 'Loom hole', kind: 'hole', outline: circle([3700, 1150], 22) },
    ],
    creases: [
      {
        id: 'toe',
        name: 'Toe board fold',
        line: [
          [3500, 930],
          [3960, 930],
        ],
      },
      {
        id: 'toe-2',
        name: 'Toe board fold',
        line: [
          [4320, 930],
          [4780, 930],
        ],
      },
    ],
    layers: single(1.0),
    curvature: 'flat',
    structural: true,
    visible: false,
  },
  {
    id: 'seat-bulkhead',
    name: 'Seat back panel',
    outline: symmetric(
      flatten(
        [0, 30],
        [
          [560, 30],
          [600, 70],
          [
            [640, 240],
            [640, 380],
            [600, 500],
          ],
          [560, 540],
          [0, 560],
        ],
      ),
    ).map(([u, v]): Point => [u + 4140, v]),
    holes: [
      {
        id: 'open-1',
        name: 'Lightening opening',
        kind: 'opening',
        outline: roundedRectangle(3680, 160, 4080, 420, 50),
      },
      {
        id: 'open-2',
        name: 'Lightening opening',
        kind: 'opening',
        outline: roundedRectangle(4200, 160, 4600, 420, 50),
      },
    ],
    creases: [
      {
        id: 'upper',
        name: 'Upper fold',
        line: [
          [3560, 500],
          [4720, 500],
        ],
      },
    ],
    layers: single(0.9),
    curvature: 'flat',
    structural: true,
    visible: false,
  },
];
