import {
  aluminium,
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
import type { BodyPlan, Layer, View } from '../../types.ts';
import { offroaderFrame } from './frame.ts';
import { offroaderMeetings } from './meetings.ts';
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
 * Off-roader on a ladder frame: aluminium skins over a steel structure. Magnetic gauges say
 * nothing on the skins; where the two metals touch wet, the aluminium goes. Drawn for this
 * project; it is no particular vehicle.
 */
const LENGTH = 3880;
const skin = (name: string): Layer[] => [aluminium('skin', name, 1.2)];
const F: FlankLines = {
  nose: { u: 20, low: 190, high: 690 },
  frontAxle: [760, 20],
  rearAxle: [3080, 20],
  arch: 400,
  door: [1270, 2140],
  sill: 130,
  waist: [792, 792],
  roof: { u: 1520, v: 1480 },
  lean: 24,
  skin,
};
const JOIN = 2146;
const foot = Math.sqrt(F.arch ** 2 - F.rearAxle[1] ** 2);

const doorSkin = door(F, 40);
const tubSide: DrawnPanel = {
  id: 'tub-side',
  name: 'Tub side',
  outline: outlineOf(
    line([JOIN, 0], [F.rearAxle[0] - foot, 0]),
    archOver(F.rearAxle, F.arch, 0, 170),
    line(
      [F.rearAxle[0] + Math.sqrt(F.arch ** 2 - 150 ** 2), 170],
      [LENGTH - 16, 170],
      [LENGTH, 800],
      [JOIN, 800],
      [JOIN, 0],
    ),
  ),
  holes: [roundHole('filler', 'Filler hole', 2560, 620, 46), roundHole('trim-1', 'Trim clip hole', 2300, 700, 4)],
  creases: [crease('waist', 'Waist crease', [JOIN, 696], [LENGTH - 6, 696])],
  flanges: [archLip(F.rearAxle, F.arch, 0, 170), strip('top', 'Top capping', JOIN, 780, LENGTH - 4, 800)],
  layers: [aluminium('skin', 'Skin', 1.2), steel('capping', 'Steel capping behind', 1.2)],
  curvature: 'flat',
  fixing: 'bolted',
};
const upperSide: DrawnPanel = {
  id: 'upper-side',
  name: 'Upper rear side',
  outline: line(
    [JOIN, 812],
    [LENGTH - 4, 812],
    [LENGTH - 70, 1440],
    [
      [LENGTH - 74, 1476],
      [LENGTH - 96, 1490],
      [LENGTH - 130, 1490],
    ],
    [JOIN - 22, 1490],
  ),
  holes: [
    opening('window', 'Side window opening', outlineOf(line([2260, 900], [3440, 900], [3400, 1340], [2240, 1340]))),
  ],
  creases: [crease('gutter', 'Gutter', [JOIN - 14, 1470], [LENGTH - 110, 1470])],
  layers: skin('Skin'),
  curvature: 'flat',
  fixing: 'bolted',
};
const flank = [
  wing(F),
  { ...doorSkin, fixing: 'bolted' as const },
  sill(F, [aluminium('skin', 'Sill cover', 1.2), steel('channel', 'Sill channel', 1.6)]),
  pillar(F),
  tubSide,
  upperSide,
];
const ends: DrawnPanel[] = [
  { ...frontPanel({ u: 0, v: 200 }, 1460, 500, 96), layers: skin('Skin'), fixing: 'bolted' },
  sheet('front-bumper', 'Front bumper beam', { u: 0, v: 0 }, 1460, 150, {
    radius: 10,
    layers: single(3.0),
    structural: true,
    fixing: 'bolted',
  }),
];
const rearEnd: DrawnPanel[] = [
  sheet('rear-door', 'Rear door skin', { u: 0, v: 60 }, 900, 1280, {
    holes: [
      window('window', 'Rear window opening', 130, 780, 770, 1200, 50),
      roundHole('spare', 'Spare wheel hole', 450, 420, 40),
      drain('drain', 420, 66),
    ],
    creases: [crease('waist', 'Waist crease', [10, 660], [890, 660])],
    layers: skin('Skin'),
    fixing: 'bolted',
  }),
  sheet('rear-corner-l', 'Rear corner, left side', { u: -300, v: 60 }, 260, 1280, {
    radius: 20,
    layers: skin('Skin'),
    fixing: 'bolted',
  }),
  sheet('rear-corner-r', 'Rear corner, right side', { u: 940, v: 60 }, 260, 1280, {
    radius: 20,
    layers: skin('Skin'),
    fixing: 'bolted',
  }),
];
const above: DrawnPanel[] = [
  sheet('bonnet', 'Bonnet', { u: 0, v: 0 }, 1120, 1340, {
    radius: 60,
    creases: [
      crease('left', 'Side crease', [20, 1120], [1100, 1140]),
      crease('right', 'Side crease', [20, 220], [1100, 200]),
    ],
    layers: skin('Skin'),
    fixing: 'bolted',
  }),
  sheet('scuttle', 'Scuttle', { u: 1150, v: 20 }, 190, 1300, {
    radius: 16,
    holes: [
      window('vent-l', 'Vent flap', 1190, 760, 1300, 1180, 12),
      window('vent-r', 'Vent flap', 1190, 160, 1300, 580, 12),
      drain('drain', 1310, 660),
    ],
    layers: [steel('outer', 'Scuttle', 1.2)],
    structural: true,
  }),
  sheet('roof', 'Roof', { u: 1420, v: 40 }, 2240, 1260, {
    radius: 70,
    creases: ribs(3, 'u', 1500, 240, 3580, 1100),
    layers: skin('Skin'),
    fixing: 'bolted',
  }),
];
const floorPairs: DrawnPanel[] = [
  floorHalf('floor-front', 'Front floor', { u: 1180, v: 170 }, 880, 500),
  rail('rail', 'Frame rail', { u: 0, v: 740 }, 3700, 150, 40, [
    steel('outer', 'Rail', 2.5),
    steel('plate', 'Inner plate', 2.5),
  ]),
  sheet('outrigger-front', 'Front outrigger', { u: 900, v: 440 }, 220, 240, {
    radius: 12,
    layers: [steel('outer', 'Box', 2.0), steel('plate', 'Closing plate', 2.0)],
    structural: true,
    visible: false,
    mounts: [{ id: 'bulkhead', name: 'Bulkhead mount', at: [1010, 620] }],
    holes: [drain('drain', 990, 446)],
  }),
  sheet('outrigger-rear', 'Rear outrigger', { u: 2120, v: 440 }, 220, 240, {
    radius: 12,
    layers: [steel('outer', 'Box', 2.0), steel('plate', 'Closing plate', 2.0)],
    structural: true,
    visible: false,
    mounts: [{ id: 'tub', name: 'Tub mount', at: [2230, 620] }],
    holes: [drain('drain', 2210, 446)],
  }),
];
const floorCentre: DrawnPanel[] = [
  sheet('tunnel', 'Transmission cover', { u: 1180, v: -160 }, 880, 320, {
    radius: 24,
    layers: single(1.2),
    visible: false,
    fixing: 'bolted',
    creases: [crease('top', 'Top', [1200, 0], [2040, 0])],
  }),
  crossmember('crossmember-front', 'Front crossmember', { u: 200, v: -560 }, 150, 1120),
  crossmember('crossmember-middle', 'Middle crossmember', { u: 700, v: -420 }, 130, 840),
  crossmember('crossmember-rear', 'Rear crossmember', { u: 3540, v: -620 }, 150, 1240),
  sheet('load-floor', 'Load floor', { u: 2420, v: -560 }, 1060, 1120, {
    radius: 0,
    layers: skin('Load floor'),
    creases: ribs(9, 'u', 2450, -520, 3450, 520),
    holes: [drain('drain-1', 2500, 300), drain('drain-2', 3380, -320)],
    visible: false,
  }),
];
const innerPairs: DrawnPanel[] = [
  { ...innerWing({ u: 0, v: 0 }, 1060, 500, 400), layers: skin('Skin'), structural: false, fixing: 'bolted' },
  hingePost('hinge-post', 'Bulkhead post', { u: 1140, v: 0 }, 200, 700),
  { ...doorInner({ u: 1410, v: 0 }, 880, 640), name: 'Door frame' },
  hingePost('lock-post', 'Lock post', { u: 2370, v: 0 }, 170, 700),
  { ...wheelHouse('wheel-box', 'Rear wheel box', { u: 2620, v: 0 }, 400, 120), layers: skin('Skin') },
];
const innerCentre: DrawnPanel[] = [
  sheet('bulkhead', 'Bulkhead', { u: 3900, v: 0 }, 1380, 700, {
    holes: [
      roundHole('column', 'Steering column hole', 4240, 330, 46),
      window('heater', 'Heater opening', 4860, 260, 5060, 440, 20),
      drain('drain-l', 3960, 6),
      drain('drain-r', 5200, 6),
    ],
    creases: [crease('toe', 'Foot well fold', [3920, 200], [5260, 200])],
    mounts: [
      { id: 'frame-l', name: 'Bulkhead foot', at: [3970, 50] },
      { id: 'frame-r', name: 'Bulkhead foot', at: [5210, 50] },
    ],
    layers: [steel('outer', 'Outer sheet', 1.2), steel('inner', 'Inner sheet', 1.0)],
    structural: true,
    visible: false,
  }),
  sheet('seat-box', 'Seat box', { u: 3900, v: -620 }, 1380, 460, {
    holes: [window('access', 'Access lid opening', 4360, -560, 4820, -240, 20)],
    layers: skin('Seat box'),
    visible: false,
    fixing: 'bolted',
  }),
  sheet('windscreen-frame', 'Windscreen frame', { u: 5400, v: 0 }, 1340, 560, {
    holes: [window('glass', 'Windscreen opening', 5450, 70, 6690, 500, 40)],
    layers: [steel('outer', 'Frame', 1.2), steel('inner', 'Inner frame', 1.2)],
    structural: true,
  }),
  sheet('rear-door-frame', 'Rear door frame', { u: 5400, v: -860 }, 900, 760, {
    holes: [window('access', 'Access hole', 5560, -760, 6140, -500, 30)],
    layers: single(1.0),
    visible: false,
  }),
];

const view = (id: string, name: string, at: readonly [number, number], width: number, height: number): View => ({
  id,
  name,
  at,
  width,
  height,
});
const left = view('left', 'Left side', [0, 4420], LENGTH, 1510);
const right = view('right', 'Right side', [LENGTH + 460, 4420], LENGTH, 1510);
const front = view('front', 'Front', [0, 3080], 1460, 700);
const top = view('top', 'Bonnet, scuttle and roof, from above', [1760, 2740], 3700, 1360);
const rear = view('rear', 'Rear', [6060, 2740], 1500, 1400);
const floor = view('floor', 'Frame and floor, from below', [0, 1440], 3720, 1800);
const innerLeft = view('inner', 'Inner structure', [4060, 1640], 6800, 700);
const innerRight = view('inner', 'Inner structure', [4060, 760], 6800, 700);
const drawn: DrawnView[] = [
  { view: left, left: flank, rightView: right, mirror: { axis: 'u', at: LENGTH / 2 } },
  { view: front, centre: ends },
  { view: top, centre: above, across: 'v' },
  { view: rear, centre: rearEnd },
  { view: floor, centre: floorCentre, left: floorPairs, mirror: { axis: 'v', at: 0 } },
  { view: innerLeft, left: innerPairs, rightView: innerRight, mirror: { axis: 'u', at: 1840 } },
  { view: innerRight, centre: innerCentre },
];
const panels = drawn.flatMap(panelsOf);

const seams: DrawnSeam[] = [
  {
    id: 'wing-sill',
    name: 'Wing to sill',
    kind: 'bolted',
    pitch: 60,
    sides: [
      {
        panel: 'wing',
        line: [
          [1264, 4],
          [1264, 128],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1270, 4],
          [1270, 128],
        ],
      },
    ],
  },
  {
    id: 'sill-tub',
    name: 'Sill to tub side',
    kind: 'bolted',
    pitch: 60,
    sides: [
      {
        panel: 'sill',
        line: [
          [2140, 4],
          [2140, 128],
        ],
      },
      {
        panel: 'tub-side',
        line: [
          [JOIN, 4],
          [JOIN, 128],
        ],
      },
    ],
  },
  {
    id: 'tub-upper',
    name: 'Tub side to upper side',
    kind: 'bolted',
    pitch: 120,
    sides: [
      {
        panel: 'tub-side',
        line: [
          [JOIN, 800],
          [LENGTH - 20, 800],
        ],
      },
      {
        panel: 'upper-side',
        line: [
          [JOIN, 812],
          [LENGTH - 20, 812],
        ],
      },
    ],
  },
  {
    id: 'outrigger-rail',
    name: 'Front outrigger to rail',
    kind: 'spot',
    pitch: 25,
    sides: [
      {
        panel: 'outrigger-front',
        line: [
          [920, 680],
          [1100, 680],
        ],
      },
      {
        panel: 'rail',
        line: [
          [120, 740],
          [300, 740],
        ],
      },
    ],
  },
  {
    id: 'post-sill',
    name: 'Bulkhead post to sill channel',
    kind: 'spot',
    pitch: 30,
    sides: [
      {
        panel: 'hinge-post',
        line: [
          [1145, 0],
          [1335, 0],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1290, 130],
          [1480, 130],
        ],
      },
    ],
  },
  {
    id: 'bulkhead-floor',
    name: 'Floor to sill channel',
    kind: 'bolted',
    pitch: 90,
    sides: [
      {
        panel: 'floor-front',
        line: [
          [1260, 670],
          [2010, 670],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1320, 0],
          [2070, 0],
        ],
      },
    ],
  },
];

/** Ladder-frame off-roader: aluminium skins bolted over a steel bulkhead, posts and frame. */
export const offroader: BodyPlan = {
  id: 'offroader',
  name: 'Ladder-frame off-roader, aluminium over steel',
  description:
    'A steel frame, bulkhead and posts under bolted aluminium skins. Frame, outriggers and bulkhead feet rust first; the skins corrode where steel touches them wet.',
  views: [left, right, front, top, rear, floor, innerLeft],
  wheels: { at: [F.frontAxle[0], F.rearAxle[0]], v: F.frontAxle[1], radius: 350 },
  panels,
  seams: seamsOf(seams, drawn, panels),
  cavities: [
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
      id: 'outrigger',
      name: 'Front outrigger',
      walls: [
        { panel: 'outrigger-front', layer: 'outer' },
        { panel: 'outrigger-front', layer: 'plate' },
      ],
      drains: ['drain'],
    }),
    ...bothSides({
      id: 'post',
      name: 'Bulkhead post',
      walls: [
        { panel: 'hinge-post', layer: 'outer' },
        { panel: 'hinge-post', layer: 'inner' },
      ],
      drains: ['drain'],
    }),
    ...bothSides({
      id: 'sill',
      name: 'Sill channel',
      walls: [
        { panel: 'sill', layer: 'skin' },
        { panel: 'sill', layer: 'channel' },
      ],
      drains: ['drain-1', 'drain-2', 'drain-3'],
    }),
    {
      id: 'bulkhead',
      name: 'Bulkhead',
      walls: [
        { panel: 'bulkhead', layer: 'outer' },
        { panel: 'bulkhead', layer: 'inner' },
      ],
      drains: ['drain-l', 'drain-r'],
    },
  ],
  meetings: meetingsOf(panels, offroaderMeetings),
  frame: offroaderFrame(panels),
};
