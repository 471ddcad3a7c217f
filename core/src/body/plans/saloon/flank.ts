import { arc, circle, flatten, type Point, type Ring } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';

/*
 * The left flank as seen from outside, front to the left. u = 0 at the nose, v = 0 at
 * the lower edge of the sill. Axles at u = 650 and 3,000, wheel openings of 330 radius.
 */
export const FLANK_LENGTH = 3900;
const FRONT_AXLE: Point = [650, 95];
const REAR_AXLE: Point = [3000, 95];
const ARCH = 330;

/** Angle (degrees) at which a wheel opening reaches a height, on its rear side. */
const archAngle = (v: number) => (Math.asin((v - FRONT_AXLE[1]) / ARCH) * 180) / Math.PI;
/** The wheel opening from its front foot over the top to its rear foot. */
const archLine = (axle: Point, frontV: number, rearV: number, radius = ARCH) =>
  arc(axle, radius, 180 - archAngle(frontV), archAngle(rearV));

/** The lip that is folded in around a wheel opening. */
const archLip = (axle: Point, frontV: number, rearV: number): Ring => [
  ...archLine(axle, frontV, rearV),
  ...archLine(axle, frontV, rearV, ARCH + 22).reverse(),
];

const WING_TO_DOOR = flatten(
  [1262, 0],
  [
    [1262, 122],
    [
      [1262, 330],
      [1252, 560],
      [1240, 716],
    ],
  ],
);
const WING_TOP = flatten(
  [1240, 716],
  [
    [
      [940, 708],
      [470, 672],
      [150, 598],
    ],
  ],
);
const NOSE = flatten(
  [150, 598],
  [
    [
      [86, 582],
      [46, 520],
      [38, 430],
    ],
    [
      [30, 330],
      [44, 220],
      [70, 150],
    ],
  ],
);

const wing: DrawnPanel = {
  id: 'wing',
  name: 'Front wing',
  outline: [
    ...NOSE.slice(-1),
    ...archLine(FRONT_AXLE, 150, 0),
    ...WING_TO_DOOR,
    ...WING_TOP.slice(1),
    ...NOSE.slice(1, -1),
  ],
  holes: [
    { id: 'repeater', name: 'Side repeater hole', kind: 'hole', outline: circle([1090, 560], 14) },
    { id: 'trim-1', name: 'Trim clip hole', kind: 'hole', outline: circle([860, 478], 4) },
    { id: 'trim-2', name: 'Trim clip hole', kind: 'hole', outline: circle([1150, 470], 4) },
  ],
  creases: [
    {
      id: 'waist',
      name: 'Waist crease',
      line: flatten(
        [46, 470],
        [
          [
            [380, 505],
            [860, 512],
            [1255, 500],
          ],
        ],
      ),
    },
    {
      id: 'brow',
      name: 'Lamp brow',
      line: flatten(
        [150, 560],
        [
          [
            [240, 590],
            [420, 625],
            [640, 648],
          ],
        ],
      ),
    },
    { id: 'arch-swell', name: 'Arch swelling', line: arc(FRONT_AXLE, 392, 168, 12) },
  ],
  flanges: [{ id: 'arch-lip', name: 'Wheel arch lip', outline: archLip(FRONT_AXLE, 150, 0) }],
  layers: single(0.9),
  curvature: 'double',
  fixing: 'bolted',
};

const SHUT_REAR = flatten(
  [2350, 122],
  [
    [2356, 170],
    [
      [2362, 400],
      [2352, 620],
      [2338, 742],
    ],
    [2306, 1120],
    [2302, 1206],
  ],
);

const doorWindow: Ring = flatten(
  [1362, 772],
  [
    [
      [1660, 782],
      [2000, 784],
      [2292, 780],
    ],
    [
      [2300, 781],
      [2302, 786],
      [2300, 796],
    ],
    [2268, 1094],
    [
      [2266, 1112],
      [2256, 1122],
      [2238, 1124],
    ],
    [
      [2080, 1138],
      [1900, 1142],
      [1706, 1138],
    ],
    [
      [1688, 1137],
      [1676, 1130],
      [1664, 1116],
    ],
    [1358, 786],
    [
      [1352, 778],
      [1354, 773],
      [1362, 772],
    ],
  ],
).slice(0, -1);

const door: DrawnPanel = {
  id: 'door-skin',
  name: 'Door skin',
  outline: flatten(
    [1300, 128],
    [
      [2312, 128],
      [
        [2332, 128],
        [2345, 140],
        [2348, 162],
      ],
      [
        [2355, 400],
        [2345, 620],
        [2331, 742],
      ],
      [2302, 1110],
      [
        [2300, 1146],
        [2288, 1160],
        [2262, 1164],
      ],
      [
        [2080, 1182],
        [1880, 1186],
        [1690, 1180],
      ],
      [
        [1660, 1178],
        [1646, 1168],
        [1630, 1150],
      ],
      [1262, 736],
      [1248, 716],
      [
        [1259, 560],
        [1268, 330],
        [1268, 160],
      ],
      [
        [1269, 138],
        [1280, 128],
        [1300, 128],
      ],
    ],
  ).slice(0, -1),
  holes: [
    { id: 'window', name: 'Window opening', kind: 'opening', outline: doorWindow },
    {
      id: 'handle',
      name: 'Handle hole',
      kind: 'hole',
      outline: flatten(
        [2130, 640],
        [
          [2246, 634],
          [
            [2254, 634],
            [2254, 656],
            [2246, 656],
          ],
          [2130, 662],
          [
            [2122, 662],
            [2122, 640],
            [2130, 640],
          ],
        ],
      ).slice(0, -1),
    },
    { id: 'lock', name: 'Lock hole', kind: 'hole', outline: circle([2250, 596], 11) },
    {
      id: 'drain-front',
      name: 'Front drain slot',
      kind: 'drain',
      outline: flatten(
        [1420, 131],
        [
          [1450, 131],
          [1450, 136],
          [1420, 136],
        ],
      ),
    },
    {
      id: 'drain-rear',
      name: 'Rear drain slot',
      kind: 'drain',
      outline: flatten(
        [2180, 131],
        [
          [2210, 131],
          [2210, 136],
          [2180, 136],
        ],
      ),
    },
  ],
  creases: [
    {
      id: 'waist',
      name: 'Waist crease',
      line: flatten(
        [1264, 500],
        [
          [
            [1600, 492],
            [2000, 492],
            [2350, 498],
          ],
        ],
      ),
    },
    {
      id: 'belt',
      name: 'Belt line',
      line: flatten(
        [1250, 730],
        [
          [
            [1600, 742],
            [2000, 745],
            [2331, 742],
          ],
        ],
      ),
    },
    { id: 'tuck', name: 'Lower tuck-under', line: flatten([1268, 236], [[2349, 236]]) },
  ],
  flanges: [
    {
      id: 'hem',
      name: 'Lower hem',
      outline: [
        [1300, 128],
        [2312, 128],
        [2330, 142],
        [1284, 142],
      ],
    },
  ],
  layers: [steel('outer', 'Skin', 0.9), steel('hem', 'Hem return', 0.9)],
  curvature: 'single',
};

const SILL_TOP: readonly Point[] = [
  [1266, 120],
  [REAR_AXLE[0] - Math.sqrt(ARCH ** 2 - 25 ** 2), 120],
];

const sill: DrawnPanel = {
  id: 'sill',
  name: 'Sill',
  outline: [
    [1266, 0],
    ...archLine(REAR_AXLE, 0, 0).filter((p) => p[0] < 2700 && p[1] < 120),
    SILL_TOP[1]!,
    SILL_TOP[0]!,
  ],
  holes: [1420, 1940, 2560].map((u, i) => ({
    id: `drain-${i + 1}`,
    name: 'Sill drain',
    kind: 'drain' as const,
    outline: flatten(
      [u, 5],
      [
        [u + 26, 5],
        [u + 26, 12],
        [u, 12],
      ],
    ),
  })),
  creases: [
    {
      id: 'pinch',
      name: 'Lower flange fold',
      line: [
        [1266, 20],
        [2678, 20],
      ],
    },
    {
      id: 'step',
      name: 'Upper step',
      line: [
        [1266, 98],
        [2670, 98],
      ],
    },
  ],
  flanges: [
    {
      id: 'lower',
      name: 'Lower flange',
      outline: [
        [1266, 0],
        [2680, 0],
        [2680, 20],
        [1266, 20],
      ],
    },
    {
      id: 'upper',
      name: 'Upper flange',
      outline: [
        [1266, 104],
        [2670, 104],
        [2670, 120],
        [1266, 120],
      ],
    },
  ],
  mounts: [
    { id: 'jack-front', name: 'Front jacking point', at: [1400, 45] },
    { id: 'jack-rear', name: 'Rear jacking point', at: [2530, 45] },
  ],
  layers: [steel('outer', 'Outer sill', 1.2), steel('membrane', 'Membrane', 1.0), steel('inner', 'Inner sill', 1.2)],
  section: {
    outer: [
      [0, 0],
      [0, 20],
      [-58, 34],
      [-64, 48],
      [-60, 92],
      [-30, 100],
      [0, 104],
      [0, 120],
    ],
    membrane: [
      [0, 0],
      [0, 120],
    ],
    inner: [
      [0, 0],
      [0, 18],
      [62, 24],
      [70, 34],
      [70, 96],
      [0, 106],
      [0, 120],
    ],
  },
  curvature: 'single',
  structural: true,
};

const CANT_REAR: readonly Point[] = [
  [2306, 1118],
  [2302, 1206],
];

const pillar: DrawnPanel = {
  id: 'pillar',
  name: 'Windscreen pillar and cant rail',
  outline: flatten(
    [1243, 722],
    [
      [1258, 742],
      [1624, 1156],
      [
        [1642, 1176],
        [1658, 1185],
        [1690, 1187],
      ],
      [
        [1880, 1193],
        [2080, 1189],
        [2264, 1171],
      ],
      [[2290, 1167], [2304, 1150], CANT_REAR[0]!],
      CANT_REAR[1]!,
      [
        [2080, 1240],
        [1880, 1250],
        [1700, 1244],
      ],
      [
        [1640, 1241],
        [1606, 1226],
        [1580, 1196],
      ],
      [1190, 740],
      [1196, 720],
    ],
  ),
  creases: [
    {
      id: 'gutter',
      name: 'Gutter',
      line: flatten(
        [2302, 1196],
        [
          [
            [2080, 1229],
            [1880, 1239],
            [1700, 1233],
          ],
          [
            [1648, 1230],
            [1616, 1215],
            [1590, 1186],
          ],
        ],
      ),
    },
  ],
  // The joint to the rear quarter was run over with lead when it was built.
  leaded: [
    {
      id: 'cant-lead',
      name: 'Leaded joint',
      outline: [
        [2250, 1172],
        [2304, 1150],
        [2303, 1206],
        [2250, 1214],
      ],
    },
  ],
  layers: [steel('outer', 'Outer skin', 1.0), steel('inner', 'Reinforcement', 1.2)],
  curvature: 'double',
  structural: true,
};

const quarterWindow: Ring = flatten(
  [2386, 782],
  [
    [
      [2560, 786],
      [2700, 790],
      [2852, 798],
    ],
    [
      [2870, 800],
      [2872, 808],
      [2862, 820],
    ],
    [
      [2790, 910],
      [2720, 1000],
      [2652, 1076],
    ],
    [
      [2636, 1094],
      [2618, 1102],
      [2594, 1104],
    ],
    [2374, 1118],
    [
      [2356, 1118],
      [2350, 1110],
      [2352, 1094],
    ],
    [2372, 796],
    [
      [2374, 786],
      [2378, 782],
      [2386, 782],
    ],
  ],
).slice(0, -1);

const quarter: DrawnPanel = {
  id: 'quarter',
  name: 'Rear quarter',
  outline: [
    [2350, 120],
    SILL_TOP[1]!,
    ...archLine(REAR_AXLE, 120, 132).slice(1),
    ...flatten(
      [3327, 132],
      [
        [
          [3460, 140],
          [3640, 166],
          [3846, 232],
        ],
        [
          [3880, 300],
          [3898, 520],
          [3872, 660],
        ],
        [
          [3868, 684],
          [3852, 700],
          [3828, 706],
        ],
        [
          [3590, 752],
          [3330, 776],
          [3092, 782],
        ],
        [
          [2980, 850],
          [2800, 1060],
          [2672, 1176],
        ],
        [
          [2640, 1200],
          [2590, 1206],
          [2540, 1207],
        ],
        [2302, 1206],
      ],
    ).slice(1),
    ...[...SHUT_REAR].reverse().slice(1),
  ],
  holes: [
    { id: 'window', name: 'Quarter window', kind: 'opening', outline: quarterWindow },
    { id: 'filler', name: 'Fuel filler hole', kind: 'opening', outline: circle([3420, 598], 44) },
    {
      id: 'vent',
      name: 'Vent slot',
      kind: 'hole',
      outline: flatten(
        [2890, 880],
        [
          [2898, 872],
          [2810, 985],
          [2802, 993],
        ],
      ),
    },
  ],
  creases: [
    {
      id: 'waist',
      name: 'Waist crease',
      line: flatten(
        [2358, 498],
        [
          [
            [2700, 506],
            [3300, 530],
            [3886, 560],
          ],
        ],
      ),
    },
    { id: 'arch-swell', name: 'Arch swelling', line: arc(REAR_AXLE, 392, 160, 18) },
    {
      id: 'shoulder',
      name: 'Shoulder line',
      line: flatten(
        [2338, 742],
        [
          [
            [2600, 748],
            [3000, 758],
            [3092, 782],
          ],
        ],
      ),
    },
  ],
  flanges: [{ id: 'arch-lip', name: 'Wheel arch lip', outline: archLip(REAR_AXLE, 120, 132) }],
  layers: [steel('outer', 'Outer skin', 0.9), steel('lip', 'Lip and wheel house flange', 1.0)],
  curvature: 'double',
};

export const flankPanels: readonly DrawnPanel[] = [wing, pillar, door, sill, quarter];

/** The joint of sill and quarter, and that of cant rail and quarter. */
export const SILL_QUARTER: readonly Point[] = [[2350, 120], SILL_TOP[1]!];
export const CANT_QUARTER: readonly Point[] = CANT_REAR;
