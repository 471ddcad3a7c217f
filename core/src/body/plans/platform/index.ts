import { arc } from '../../../geometry/index.ts';
import {
  bothSides,
  panelsOf,
  meetingsOf,
  seamsOf,
  single,
  steel,
  type DrawnPanel,
  type DrawnSeam,
  type DrawnView,
} from '../../draw.ts';
import type { BodyPlan, View } from '../../types.ts';
import { platformFrame } from './frame.ts';
import { platformMeetings } from './meetings.ts';
import {
  archLip,
  archOver,
  crease,
  crossmember,
  door,
  doorInner,
  drain,
  type FlankLines,
  floorHalf,
  frontPanel,
  hingePost,
  innerWing,
  line,
  opening,
  outlineOf,
  pillar,
  rail,
  ribs,
  roundHole,
  sheet,
  sill,
  strip,
  wheelHouse,
  window,
  wing,
} from '../kit/index.ts';

/*
 * Two-door on a platform: a flat chassis with a middle tunnel and floor pans that are bolted on
 * around their edge; the body sits on it with a seal between. Drawn for this project; it is no
 * particular vehicle.
 */
const LENGTH = 3960;
const F: FlankLines = {
  nose: { u: 24, low: 150, high: 540 },
  frontAxle: [730, 30],
  rearAxle: [3010, 30],
  arch: 340,
  door: [1190, 2210],
  sill: 118,
  waist: [668, 690],
  roof: { u: 1570, v: 1190 },
  lean: 110,
  skin: () => single(0.9),
};
const JOIN = 2216;
const foot = Math.sqrt(F.arch ** 2 - F.rearAxle[1] ** 2);

const quarter: DrawnPanel = {
  id: 'quarter',
  name: 'Rear quarter',
  outline: outlineOf(
    line([JOIN, 0], [F.rearAxle[0] - foot, 0]),
    archOver(F.rearAxle, F.arch, 0, 130),
    line(
      [F.rearAxle[0] + Math.sqrt(F.arch ** 2 - 100 ** 2), 130],
      [LENGTH - 90, 170],
      [
        [LENGTH - 30, 180],
        [LENGTH, 260],
        [LENGTH - 6, 400],
      ],
      [
        [LENGTH - 12, 560],
        [LENGTH - 40, 640],
        [LENGTH - 110, 668],
      ],
      [
        [3500, 716],
        [3240, 742],
        [3110, 760],
      ],
      [
        [2980, 900],
        [2800, 1110],
        [2600, 1166],
      ],
      [
        [2440, 1196],
        [2260, 1210],
        [F.door[1] - F.lean + 6, 1208],
      ],
      [JOIN, 690],
      [JOIN, 0],
    ),
  ),
  holes: [
    opening(
      'window',
      'Quarter window opening',
      outlineOf(
        line(
          [2300, 780],
          [2960, 780],
          [
            [2820, 930],
            [2720, 1060],
            [2580, 1104],
          ],
          [
            [2480, 1130],
            [2380, 1140],
            [2250, 1142],
          ],
          [2232, 1120],
          [2288, 792],
        ),
      ),
    ),
    roundHole('filler', 'Filler hole', 3420, 560, 40),
    roundHole('trim-1', 'Trim clip hole', 2600, 590, 4),
  ],
  creases: [
    crease('waist', 'Waist crease', [JOIN + 4, 594], [LENGTH - 20, 560]),
    crease('swell', 'Arch swelling', ...arc(F.rearAxle, F.arch + 60, 165, 20)),
  ],
  flanges: [archLip(F.rearAxle, F.arch, 0, 130)],
  layers: [steel('outer', 'Outer skin', 0.9), steel('lip', 'Lip and wheel house flange', 0.9)],
  curvature: 'double',
};
const flank = [
  wing(F),
  door(F),
  sill(F, [
    steel('outer', 'Outer sill', 1.0),
    steel('channel', 'Heater channel', 1.2),
    steel('plate', 'Closing plate', 1.2),
  ]),
  pillar(F),
  quarter,
];
const ends: DrawnPanel[] = [
  frontPanel({ u: 0, v: 160 }, 1480, 400, 84),
  sheet('front-valance', 'Front valance', { u: 40, v: 0 }, 1400, 140, {
    creases: [crease('fold', 'Fold', [60, 90], [1420, 90])],
  }),
];
const rearEnd: DrawnPanel[] = [
  sheet('rear-panel', 'Rear panel', { u: 0, v: 160 }, 1480, 420, {
    radius: 50,
    holes: [
      window('lamp-l', 'Lamp opening', 50, 300, 190, 470, 20),
      window('lamp-r', 'Lamp opening', 1290, 300, 1430, 470, 20),
    ],
    creases: [crease('belt', 'Belt crease', [20, 250], [1460, 250])],
    curvature: 'double',
  }),
  sheet('rear-valance', 'Rear valance', { u: 40, v: 0 }, 1400, 140, {
    holes: [roundHole('pipe', 'Exhaust cut-out', 1100, 60, 36)],
  }),
];
const above: DrawnPanel[] = [
  sheet('front-lid', 'Front lid', { u: 0, v: 0 }, 960, 1380, {
    radius: 130,
    creases: [
      crease('left', 'Side crease', [40, 1200], [940, 1250]),
      crease('right', 'Side crease', [40, 180], [940, 130]),
    ],
    curvature: 'double',
    fixing: 'bolted',
  }),
  sheet('cowl', 'Cowl', { u: 990, v: 30 }, 170, 1320, {
    holes: [drain('drain-l', 1010, 1300), drain('drain-r', 1010, 56)],
    structural: true,
  }),
  sheet('roof', 'Roof', { u: 1560, v: 60 }, 1120, 1260, {
    radius: 140,
    creases: [
      crease('gutter-l', 'Gutter', [1700, 1296], [2540, 1296]),
      crease('gutter-r', 'Gutter', [1700, 84], [2540, 84]),
    ],
    curvature: 'double',
  }),
  sheet('rear-lid', 'Rear lid', { u: 3060, v: 60 }, 760, 1260, {
    radius: 90,
    holes: [window('vents', 'Vent slots', 3200, 440, 3320, 940, 16)],
    creases: [crease('spine', 'Middle crease', [3080, 690], [3190, 690])],
    curvature: 'double',
    fixing: 'bolted',
  }),
  sheet('rear-deck', 'Rear deck', { u: 2760, v: 100 }, 240, 1180, {
    creases: [crease('lip', 'Lip', [2970, 140], [2970, 1240])],
    layers: single(1.0),
  }),
];
const floorPairs: DrawnPanel[] = [
  floorHalf('pan-front', 'Front floor pan', { u: 1000, v: 130 }, 800, 500, 'bolted'),
  floorHalf('pan-rear', 'Rear floor pan', { u: 1820, v: 130 }, 740, 500, 'bolted'),
  rail('rear-fork', 'Rear fork arm', { u: 2620, v: 180 }, 900, 110, 24, [
    steel('outer', 'Fork', 2.0),
    steel('plate', 'Closing plate', 2.0),
  ]),
  sheet('pan-edge', 'Pan edge rail', { u: 1000, v: 650 }, 1560, 60, {
    radius: 0,
    holes: [drain('drain-1', 1200, 654), drain('drain-2', 2300, 654)],
    mounts: [1080, 1440, 1800, 2160, 2480].map((u, i) => ({
      id: `bolt-${i + 1}`,
      name: 'Body bolt',
      at: [u, 680] as const,
    })),
    layers: [steel('outer', 'Rail', 1.5), steel('seal', 'Seal strip', 1.0)],
    structural: true,
    visible: false,
    flanges: [strip('inner', 'Flange to the pans', 1000, 650, 2560, 662)],
  }),
];
const floorCentre: DrawnPanel[] = [
  sheet('tunnel', 'Tunnel', { u: 560, v: -124 }, 2040, 248, {
    radius: 20,
    holes: [window('shift', 'Shift opening', 1380, -60, 1500, 60, 20)],
    creases: [crease('top', 'Top', [600, 0], [1360, 0])],
    layers: [steel('outer', 'Tunnel', 1.6), steel('plate', 'Closing plate', 1.6)],
    structural: true,
    visible: false,
  }),
  sheet('frame-head', 'Frame head', { u: 130, v: -420 }, 400, 840, {
    radius: 40,
    mounts: [
      { id: 'axle-l', name: 'Front axle mount', at: [260, 280] },
      { id: 'axle-r', name: 'Front axle mount', at: [260, -280] },
    ],
    holes: [drain('drain', 460, -20)],
    layers: [steel('outer', 'Upper plate', 2.0), steel('plate', 'Lower plate', 2.0)],
    structural: true,
    visible: false,
  }),
  crossmember('crossmember-seat', 'Seat crossmember', { u: 2580, v: -118 }, 30, 236),
  crossmember('crossmember-rear', 'Rear crossmember', { u: 3600, v: -460 }, 130, 920),
];
const innerPairs: DrawnPanel[] = [
  innerWing({ u: 0, v: 0 }, 960, 430, 340),
  hingePost('hinge-post', 'Hinge post', { u: 1040, v: 0 }, 180, 580),
  doorInner({ u: 1290, v: 0 }, 1000, 560),
  hingePost('lock-post', 'Lock post', { u: 2370, v: 0 }, 180, 600),
  wheelHouse('wheel-house', 'Rear wheel house', { u: 2640, v: 0 }, 340, 110),
  sheet('luggage-side', 'Luggage well side', { u: 3640, v: 0 }, 620, 420, {
    creases: ribs(3, 'u', 3670, 60, 4230, 360),
    visible: false,
    holes: [drain('drain', 4000, 6)],
  }),
];
const innerCentre: DrawnPanel[] = [
  sheet('bulkhead', 'Bulkhead', { u: 4400, v: 0 }, 1340, 560, {
    holes: [roundHole('column', 'Steering column hole', 4720, 280, 44)],
    creases: [crease('toe', 'Toe fold', [4420, 170], [5720, 170])],
    layers: single(1.2),
    structural: true,
    visible: false,
  }),
  sheet('luggage-floor', 'Front luggage floor', { u: 4400, v: -620 }, 1340, 520, {
    creases: ribs(4, 'u', 4440, -580, 5700, -140),
    holes: [drain('drain', 5000, -590)],
    layers: single(1.0),
    visible: false,
  }),
  sheet('engine-bulkhead', 'Engine bulkhead', { u: 5800, v: 0 }, 1280, 560, {
    creases: [crease('fold', 'Fold', [5820, 420], [7060, 420])],
    layers: single(1.2),
    structural: true,
    visible: false,
  }),
  sheet('parcel-shelf', 'Parcel shelf', { u: 5800, v: -620 }, 1280, 420, {
    creases: ribs(3, 'u', 5840, -580, 7040, -240),
    layers: single(0.9),
    visible: false,
  }),
  sheet('dash', 'Dashboard', { u: 4400, v: -960 }, 1340, 260, {
    holes: [
      window('gauge', 'Gauge opening', 4560, -900, 4760, -760, 30),
      window('glove', 'Glove box opening', 5280, -910, 5640, -760, 20),
    ],
  }),
];

const view = (id: string, name: string, at: readonly [number, number], width: number, height: number): View => ({
  id,
  name,
  at,
  width,
  height,
});
const left = view('left', 'Left side', [0, 4180], LENGTH, 1220);
const right = view('right', 'Right side', [LENGTH + 460, 4180], LENGTH, 1220);
const front = view('front', 'Front', [0, 2980], 1480, 560);
const top = view('top', 'Lids and roof, from above', [1780, 2500], 3900, 1400);
const rear = view('rear', 'Rear', [5900, 2960], 1480, 600);
const floor = view('floor', 'Platform, from below', [-60, 1300], 3800, 1440);
const innerLeft = view('inner', 'Inner structure', [3900, 1380], 7080, 600);
const innerRight = view('inner', 'Inner structure', [3900, 660], 7080, 600);
const drawn: DrawnView[] = [
  { view: left, left: flank, rightView: right, mirror: { axis: 'u', at: LENGTH / 2 } },
  { view: front, centre: ends },
  { view: top, centre: above, across: 'v' },
  { view: rear, centre: rearEnd },
  { view: floor, centre: floorCentre, left: floorPairs, mirror: { axis: 'v', at: 0 } },
  { view: innerLeft, left: innerPairs, rightView: innerRight, mirror: { axis: 'u', at: 2130 } },
  { view: innerRight, centre: innerCentre },
];
const panels = drawn.flatMap(panelsOf);

const seams: DrawnSeam[] = [
  {
    id: 'wing-body',
    name: 'Wing to sill',
    kind: 'bolted',
    pitch: 120,
    sides: [
      {
        panel: 'wing',
        line: [
          [1184, 4],
          [1184, 116],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1190, 4],
          [1190, 116],
        ],
      },
    ],
  },
  {
    id: 'sill-quarter',
    name: 'Sill to rear quarter',
    kind: 'spot',
    pitch: 36,
    sides: [
      {
        panel: 'sill',
        line: [
          [2210, 2],
          [2210, 116],
        ],
      },
      {
        panel: 'quarter',
        line: [
          [JOIN, 2],
          [JOIN, 116],
        ],
      },
    ],
  },
  {
    id: 'pan-edge',
    name: 'Front pan to edge rail',
    kind: 'bolted',
    pitch: 90,
    sides: [
      {
        panel: 'pan-front',
        line: [
          [1090, 630],
          [1740, 630],
        ],
      },
      {
        panel: 'pan-edge',
        line: [
          [1090, 650],
          [1740, 650],
        ],
      },
    ],
  },
  {
    id: 'pan-edge-rear',
    name: 'Rear pan to edge rail',
    kind: 'bolted',
    pitch: 90,
    sides: [
      {
        panel: 'pan-rear',
        line: [
          [1900, 630],
          [2500, 630],
        ],
      },
      {
        panel: 'pan-edge',
        line: [
          [1900, 650],
          [2500, 650],
        ],
      },
    ],
  },
  {
    id: 'sill-platform',
    name: 'Sill to edge rail',
    kind: 'bolted',
    pitch: 180,
    sides: [
      {
        panel: 'sill',
        line: [
          [1200, 0],
          [2200, 0],
        ],
      },
      {
        panel: 'pan-edge',
        line: [
          [1300, 710],
          [2300, 710],
        ],
      },
    ],
  },
  {
    id: 'hinge-sill',
    name: 'Hinge post to sill',
    kind: 'spot',
    pitch: 30,
    sides: [
      {
        panel: 'hinge-post',
        line: [
          [1045, 0],
          [1215, 0],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1195, 118],
          [1365, 118],
        ],
      },
    ],
  },
];

/** Platform-chassis two-door: the tunnel and the bolted pans carry it; the sills are heater channels. */
export const platform: BodyPlan = {
  id: 'platform',
  name: 'Platform two-door with bolted pans',
  description:
    'A flat platform with a middle tunnel; floor pans bolt on around their edge, and the sills carry warm air. Pans, edge rails and channels rust first.',
  views: [left, right, front, top, rear, floor, innerLeft],
  wheels: { at: [F.frontAxle[0], F.rearAxle[0]], v: F.frontAxle[1], radius: 290 },
  panels,
  seams: seamsOf(seams, drawn, panels),
  cavities: [
    ...bothSides({
      id: 'channel',
      name: 'Heater channel',
      walls: [
        { panel: 'sill', layer: 'channel' },
        { panel: 'sill', layer: 'plate' },
      ],
      drains: ['drain-1', 'drain-3'],
    }),
    ...bothSides({
      id: 'sill',
      name: 'Outer sill cavity',
      walls: [
        { panel: 'sill', layer: 'outer' },
        { panel: 'sill', layer: 'channel' },
      ],
      drains: ['drain-1', 'drain-2', 'drain-3'],
    }),
    ...bothSides({
      id: 'edge',
      name: 'Edge rail',
      walls: [
        { panel: 'pan-edge', layer: 'outer' },
        { panel: 'pan-edge', layer: 'seal' },
      ],
      drains: ['drain-1', 'drain-2'],
    }),
    ...bothSides({
      id: 'door',
      name: 'Door cavity',
      walls: [
        { panel: 'door-skin', layer: 'outer' },
        { panel: 'door-inner', layer: 'outer' },
      ],
      drains: ['drain-front', 'drain-rear'],
    }),
    ...bothSides({
      id: 'fork',
      name: 'Fork arm',
      walls: [
        { panel: 'rear-fork', layer: 'outer' },
        { panel: 'rear-fork', layer: 'plate' },
      ],
      drains: ['drain-1', 'drain-2'],
    }),
    {
      id: 'frame-head',
      name: 'Frame head',
      walls: [
        { panel: 'frame-head', layer: 'outer' },
        { panel: 'frame-head', layer: 'plate' },
      ],
      drains: ['drain'],
    },
  ],
  meetings: meetingsOf(panels, platformMeetings),
  frame: platformFrame(panels),
};
