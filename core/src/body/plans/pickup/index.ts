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
import { pickupFrame } from './frame.ts';
import { pickupMeetings } from './meetings.ts';
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
import { circle } from '../../../geometry/index.ts';

/*
 * Cab-on-frame pickup with a bed: a ladder frame carries the cab on mounts and the bed on its own
 * cross sills. Drawn for this project; it is no particular vehicle.
 */
const LENGTH = 4700;
const F: FlankLines = {
  nose: { u: 20, low: 120, high: 640 },
  frontAxle: [820, 30],
  rearAxle: [3680, 30],
  arch: 385,
  door: [1400, 2380],
  sill: 130,
  waist: [742, 752],
  roof: { u: 1690, v: 1300 },
  lean: 46,
  skin: () => single(0.9),
};
const CORNER_FRONT = 2386;
const CORNER_REAR = 2600;
const BED_FRONT = 2660;

const cabCorner: DrawnPanel = {
  id: 'cab-corner',
  name: 'Cab corner',
  outline: outlineOf(
    line(
      [CORNER_FRONT, 0],
      [CORNER_REAR - 60, 0],
      [
        [CORNER_REAR - 20, 0],
        [CORNER_REAR, 20],
        [CORNER_REAR, 60],
      ],
      [CORNER_REAR, 752],
      [CORNER_REAR - 40, 1290],
      [F.door[1] - F.lean + 6, 1300],
      [CORNER_FRONT + 4, 752],
      [CORNER_FRONT, 0],
    ),
  ),
  holes: [drain('drain', CORNER_FRONT + 60, 5), roundHole('trim-1', 'Trim clip hole', CORNER_FRONT + 90, 660, 4)],
  creases: [crease('waist', 'Waist crease', [CORNER_FRONT + 4, 656], [CORNER_REAR, 656])],
  flanges: [strip('lower', 'Lower flange', CORNER_FRONT + 4, 0, CORNER_REAR - 70, 16)],
  mounts: [{ id: 'cab-rear', name: 'Rear cab mount', at: [CORNER_FRONT + 110, 50] }],
  layers: [steel('outer', 'Outer corner', 0.9), steel('inner', 'Inner corner', 0.9)],
  curvature: 'double',
  structural: true,
};

const bedSide: DrawnPanel = {
  id: 'bed-side',
  name: 'Bed side',
  outline: outlineOf(
    line([BED_FRONT, 60], [F.rearAxle[0] - Math.sqrt(385 ** 2 - 30 ** 2), 60]),
    archOver(F.rearAxle, 385, 60, 60),
    line(
      [F.rearAxle[0] + Math.sqrt(385 ** 2 - 30 ** 2), 60],
      [LENGTH - 30, 60],
      [
        [LENGTH - 6, 60],
        [LENGTH, 80],
        [LENGTH, 110],
      ],
      [LENGTH, 690],
      [BED_FRONT, 690],
      [BED_FRONT, 60],
    ),
  ),
  holes: [
    roundHole('filler', 'Filler hole', 2930, 520, 34),
    opening(
      'lamp',
      'Rear lamp opening',
      outlineOf(line([LENGTH - 74, 330], [LENGTH - 20, 330], [LENGTH - 20, 520], [LENGTH - 74, 520])),
    ),
  ],
  creases: [
    crease('waist', 'Waist crease', [BED_FRONT, 590], [LENGTH, 590]),
    crease('low', 'Lower swage', [BED_FRONT, 240], [3240, 240]),
  ],
  flanges: [archLip(F.rearAxle, 385, 60, 60), strip('rail', 'Top rail', BED_FRONT, 662, LENGTH, 690)],
  layers: single(1.0),
  curvature: 'single',
  fixing: 'bolted',
};

const flank = [
  wing(F),
  door(F),
  sill(F, [steel('outer', 'Outer rocker', 1.0), steel('inner', 'Inner rocker', 1.2)], 'Rocker'),
  pillar(F),
  cabCorner,
  bedSide,
];

const ends: DrawnPanel[] = [
  frontPanel({ u: 0, v: 210 }, 1560, 470, 92),
  sheet('front-valance', 'Front valance', { u: 60, v: 20 }, 1440, 160, {
    creases: [crease('fold', 'Fold', [90, 100], [1470, 100])],
  }),
];
const rearEnd: DrawnPanel[] = [
  sheet('tailgate', 'Tailgate skin', { u: 0, v: 0 }, 1540, 520, {
    holes: [roundHole('handle', 'Handle hole', 770, 400, 30), drain('drain-l', 300, 6), drain('drain-r', 1200, 6)],
    creases: [
      crease('upper', 'Upper swage', [20, 420], [1520, 420]),
      crease('lower', 'Lower swage', [20, 110], [1520, 110]),
    ],
    flanges: [strip('hem', 'Folded hem', 60, 0, 1480, 14)],
    fixing: 'bolted',
  }),
  sheet('cab-back', 'Cab back', { u: 1900, v: 0 }, 1480, 1180, {
    radius: 60,
    holes: [window('window', 'Rear window opening', 2180, 660, 3100, 1040, 60), drain('drain', 2600, 6)],
    creases: [crease('belt', 'Belt crease', [1910, 590], [3370, 590])],
    flanges: [strip('lower', 'Lower flange', 1980, 0, 3300, 18)],
    layers: [steel('outer', 'Outer back', 0.9), steel('inner', 'Inner back', 0.9)],
    structural: true,
  }),
];
const above: DrawnPanel[] = [
  sheet('bonnet', 'Bonnet', { u: 0, v: 0 }, 1240, 1480, {
    radius: 90,
    creases: [
      crease('spine', 'Middle crease', [20, 740], [1230, 740]),
      crease('left', 'Side crease', [30, 1240], [1220, 1290]),
      crease('right', 'Side crease', [30, 240], [1220, 190]),
    ],
    curvature: 'double',
    fixing: 'bolted',
  }),
  sheet('cowl', 'Cowl', { u: 1270, v: 40 }, 210, 1400, {
    holes: [
      window('vent', 'Vent slots', 1330, 420, 1400, 980, 12),
      drain('drain-l', 1300, 1390),
      drain('drain-r', 1300, 60),
    ],
    creases: [crease('lip', 'Lip', [1450, 80], [1450, 1400])],
    structural: true,
  }),
  sheet('roof', 'Roof', { u: 1640, v: 60 }, 1000, 1360, {
    radius: 120,
    creases: [
      crease('gutter-l', 'Gutter', [1760, 1400], [2520, 1400]),
      crease('gutter-r', 'Gutter', [1760, 80], [2520, 80]),
    ],
    curvature: 'double',
  }),
  sheet('bed-floor', 'Bed floor', { u: 2760, v: 0 }, 2020, 1480, {
    radius: 0,
    holes: [drain('drain-1', 2800, 300), drain('drain-2', 4700, 300), drain('drain-3', 4700, 1180)],
    creases: ribs(14, 'u', 2800, 30, 4740, 1450),
    flanges: [
      strip('left', 'Flange to the bed side', 2760, 1460, 4780, 1480),
      strip('right', 'Flange to the bed side', 2760, 0, 4780, 20),
    ],
    layers: single(1.4),
  }),
];
const floorPairs: DrawnPanel[] = [
  floorHalf('cab-floor', 'Cab floor', { u: 1420, v: 150 }, 1060, 540),
  rail('rail', 'Frame rail', { u: 0, v: 760 }, 4560, 150, 60, [
    steel('outer', 'Rail', 3.0),
    steel('plate', 'Inner plate', 3.0),
  ]),
  sheet('cab-mount', 'Cab mount bracket', { u: 2560, v: 160 }, 230, 170, {
    radius: 16,
    mounts: [{ id: 'cab', name: 'Cab mount', at: [2675, 245] }],
    holes: [roundHole('bolt', 'Bolt hole', 2640, 215, 14)],
    layers: single(2.5),
    structural: true,
    visible: false,
  }),
  sheet('step-bracket', 'Step and outrigger', { u: 2560, v: 420 }, 260, 150, {
    radius: 16,
    layers: single(2.0),
    structural: true,
    visible: false,
    mounts: [{ id: 'outrigger', name: 'Outrigger', at: [2690, 495] }],
  }),
];
const floorCentre: DrawnPanel[] = [
  sheet('tunnel', 'Tunnel', { u: 1420, v: -144 }, 1060, 288, {
    radius: 24,
    creases: [crease('top', 'Top', [1440, 0], [2470, 0])],
    layers: single(1.2),
    structural: true,
    visible: false,
  }),
  crossmember('crossmember-front', 'Front crossmember', { u: 240, v: -560 }, 170, 1120),
  crossmember('crossmember-middle', 'Transmission crossmember', { u: 1180, v: -560 }, 150, 1120),
  crossmember('crossmember-rear', 'Rear crossmember', { u: 4380, v: -560 }, 150, 1120),
  ...[2980, 3420, 3900].map((u, i) =>
    crossmember(`bed-sill-${i + 1}`, `Bed cross sill ${i + 1}`, { u, v: -620 }, 110, 1240),
  ),
];
const innerPairs: DrawnPanel[] = [
  innerWing({ u: 0, v: 0 }, 1080, 470, 385),
  hingePost('hinge-post', 'Hinge post', { u: 1160, v: 0 }, 190, 640),
  doorInner({ u: 1420, v: 0 }, 960, 610),
  wheelHouse('wheel-tub', 'Bed wheel tub', { u: 2460, v: 0 }, 385, 110),
  sheet('bed-inner', 'Bed inner side', { u: 3520, v: 0 }, 1180, 560, {
    radius: 0,
    creases: ribs(3, 'u', 3540, 60, 4680, 500),
    flanges: [strip('lower', 'Flange to the floor', 3520, 0, 4700, 18)],
    layers: single(1.0),
    visible: false,
    holes: [drain('drain', 4500, 24)],
  }),
];
const innerCentre: DrawnPanel[] = [
  sheet('bulkhead', 'Bulkhead', { u: 4860, v: 0 }, 1420, 620, {
    holes: [
      roundHole('column', 'Steering column hole', 5200, 300, 46),
      opening('heater', 'Heater opening', circle([5900, 340], 90)),
    ],
    creases: [crease('toe', 'Toe fold', [4880, 190], [6260, 190])],
    layers: single(1.2),
    structural: true,
    visible: false,
  }),
  sheet('tailgate-inner', 'Tailgate inner', { u: 4860, v: -660 }, 1420, 470, {
    holes: [window('access', 'Access hole', 5350, -500, 5790, -340)],
    layers: single(0.9),
    visible: false,
    fixing: 'bolted',
  }),
];

const view = (id: string, name: string, at: readonly [number, number], width: number, height: number): View => ({
  id,
  name,
  at,
  width,
  height,
});
const left = view('left', 'Left side', [0, 4300], LENGTH, 1330);
const right = view('right', 'Right side', [LENGTH + 500, 4300], LENGTH, 1330);
const front = view('front', 'Front', [0, 2980], 1560, 700);
const top = view('top', 'Bonnet, roof and bed, from above', [1900, 2500], 4800, 1500);
const rear = view('rear', 'Rear', [7040, 2620], 3400, 1200);
const floor = view('floor', 'Cab floor and frame, from below', [0, 1120], 4600, 1840);
const innerLeft = view('inner', 'Inner structure', [4960, 1020], 6300, 640);
const innerRight = view('inner', 'Inner structure', [4960, 200], 6300, 640);

const drawn: DrawnView[] = [
  { view: left, left: flank, rightView: right, mirror: { axis: 'u', at: LENGTH / 2 } },
  { view: front, centre: ends },
  { view: top, centre: above, across: 'v' },
  { view: rear, centre: rearEnd },
  { view: floor, centre: floorCentre, left: floorPairs, mirror: { axis: 'v', at: 0 } },
  { view: innerLeft, left: innerPairs, rightView: innerRight, mirror: { axis: 'u', at: 2350 } },
  { view: innerRight, centre: innerCentre },
];
const panels = drawn.flatMap(panelsOf);

const seams: DrawnSeam[] = [
  {
    id: 'rocker-floor',
    name: 'Rocker to cab floor',
    kind: 'spot',
    pitch: 40,
    sides: [
      {
        panel: 'sill',
        line: [
          [1440, 130],
          [2340, 130],
        ],
      },
      {
        panel: 'cab-floor',
        line: [
          [1520, 690],
          [2420, 690],
        ],
      },
    ],
  },
  {
    id: 'corner-back',
    name: 'Cab corner to cab back',
    kind: 'spot',
    pitch: 35,
    sides: [
      {
        panel: 'cab-corner',
        line: [
          [CORNER_REAR, 100],
          [CORNER_REAR, 740],
        ],
      },
      {
        panel: 'cab-back',
        line: [
          [1900, 80],
          [1900, 720],
        ],
      },
    ],
  },
  {
    id: 'bed-side-floor',
    name: 'Bed floor to inner side',
    kind: 'spot',
    pitch: 50,
    sides: [
      {
        panel: 'bed-inner',
        line: [
          [3540, 0],
          [4680, 0],
        ],
      },
      {
        panel: 'bed-floor',
        line: [
          [3000, 1480],
          [4140, 1480],
        ],
      },
    ],
  },
  {
    id: 'wing-sill',
    name: 'Wing to rocker',
    kind: 'bolted',
    pitch: 110,
    sides: [
      {
        panel: 'wing',
        line: [
          [1394, 4],
          [1394, 128],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1400, 4],
          [1400, 128],
        ],
      },
    ],
  },
  {
    id: 'rail-crossmember',
    name: 'Crossmember to rail',
    kind: 'spot',
    pitch: 30,
    sides: [
      {
        panel: 'crossmember-front',
        line: [
          [240, 560],
          [410, 560],
        ],
      },
      {
        panel: 'rail',
        line: [
          [240, 760],
          [410, 760],
        ],
      },
    ],
  },
];

/** Cab-on-frame pickup with bed: the frame carries the load, the cab and the bed stand on it. */
export const pickup: BodyPlan = {
  id: 'pickup',
  name: 'Cab-on-frame pickup with bed',
  description:
    'A ladder frame carries the load; the cab stands on mounts, the bed on cross sills. Rockers, corners and mounts rust first.',
  views: [left, right, front, top, rear, floor, innerLeft],
  wheels: { at: [F.frontAxle[0], F.rearAxle[0]], v: F.frontAxle[1], radius: 330 },
  panels,
  seams: seamsOf(seams, drawn, panels),
  cavities: [
    ...bothSides({
      id: 'rocker',
      name: 'Rocker cavity',
      walls: [
        { panel: 'sill', layer: 'outer' },
        { panel: 'sill', layer: 'inner' },
      ],
      drains: ['drain-1', 'drain-2', 'drain-3'],
    }),
    ...bothSides({
      id: 'corner',
      name: 'Cab corner cavity',
      walls: [
        { panel: 'cab-corner', layer: 'outer' },
        { panel: 'cab-corner', layer: 'inner' },
      ],
      drains: ['drain'],
    }),
    ...bothSides({
      id: 'rail',
      name: 'Frame rail',
      walls: [
        { panel: 'rail', layer: 'outer' },
        { panel: 'rail', layer: 'plate' },
      ],
      drains: ['drain-1', 'drain-2'],
    }),
    ...bothSides({
      id: 'hinge-post',
      name: 'Hinge post cavity',
      walls: [
        { panel: 'hinge-post', layer: 'outer' },
        { panel: 'hinge-post', layer: 'inner' },
      ],
      drains: ['drain'],
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
    {
      id: 'cab-back',
      name: 'Cab back cavity',
      walls: [
        { panel: 'cab-back', layer: 'outer' },
        { panel: 'cab-back', layer: 'inner' },
      ],
      drains: ['drain'],
    },
  ],
  meetings: meetingsOf(panels, pickupMeetings),
  frame: pickupFrame(panels),
};
