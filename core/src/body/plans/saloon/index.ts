import { bothSides, meetingsOf, panelsOf, seamsOf, type DrawnView } from '../../draw.ts';
import type { BodyPlan, View } from '../../types.ts';
import { saloonFrame } from './frame.ts';
import { saloonMeetings } from './meetings.ts';
import { frontPanels, rearPanels } from './ends.ts';
import { FLANK_LENGTH, flankPanels } from './flank.ts';
import { floorCentre, floorPairs } from './floor.ts';
import { innerCentre, innerPairs } from './inner.ts';
import { saloonSeams } from './seams.ts';
import { topPanels } from './top.ts';

/* Where each view lies on the opened-out body, mm. Three rows: flanks, ends and top, floor and inner structure. */
const GAP = 330;
const ROW_FLOOR = 720;
const ROW_TOP = 2 * 720 + 180 + 680;
const ROW_FLANK = ROW_TOP + 680 + GAP - 60;

const view = (id: string, name: string, at: readonly [number, number], width: number, height: number): View => ({
  id,
  name,
  at,
  width,
  height,
});

const left = view('left', 'Left side', [0, ROW_FLANK], FLANK_LENGTH, 1250);
const right = view('right', 'Right side', [FLANK_LENGTH + 500, ROW_FLANK], FLANK_LENGTH, 1250);
const front = view('front', 'Front', [760, ROW_TOP - 400], 1480, 740);
const top = view('top', 'Roof, bonnet and boot, from above', [2180, ROW_TOP], 3760, 1360);
const rear = view('rear', 'Rear', [7230, ROW_TOP - 400], 1480, 700);
const floor = view('floor', 'Floor, from below', [-150, ROW_FLOOR], 3800, 1360);
const innerLeft = view('inner', 'Inner structure', [3760, ROW_FLOOR + 20], 4800, 1340);
const innerRight = view('inner', 'Inner structure', [3760, ROW_FLOOR - 690], 4800, 1340);

const flanks: DrawnView = {
  view: left,
  left: flankPanels,
  rightView: right,
  mirror: { axis: 'u', at: FLANK_LENGTH / 2 },
};
const frontEnd: DrawnView = { view: front, centre: frontPanels };
const rearEnd: DrawnView = { view: rear, centre: rearPanels };
const above: DrawnView = { view: top, centre: topPanels };
const below: DrawnView = { view: floor, centre: floorCentre, left: floorPairs, mirror: { axis: 'v', at: 0 } };
const inner: DrawnView = { view: innerLeft, left: innerPairs, rightView: innerRight, mirror: { axis: 'u', at: 1680 } };
const innerMiddle: DrawnView = { view: innerRight, centre: innerCentre };

const drawn = [flanks, frontEnd, above, rearEnd, below, inner, innerMiddle];
const panels = drawn.flatMap(panelsOf);

/** Two-door unitary saloon: steel shell, welded sills in three layers, bolted front wings, doors, bonnet and boot lid. */
export const saloon: BodyPlan = {
  id: 'saloon',
  name: 'Two-door unitary saloon',
  description: 'Steel shell without a separate frame: the sills, floor, posts and chassis legs carry the load.',
  views: [left, right, front, top, rear, floor, innerLeft],
  wheels: { at: [650, 3000], v: 78, radius: 268 },
  panels,
  seams: seamsOf(saloonSeams, drawn, panels),
  cavities: [
    ...bothSides({
      id: 'sill-outer',
      name: 'Outer sill cavity',
      walls: [
        { panel: 'sill', layer: 'outer' },
        { panel: 'sill', layer: 'membrane' },
      ],
      drains: ['drain-1', 'drain-2', 'drain-3'],
    }),
    ...bothSides({
      id: 'sill-inner',
      name: 'Inner sill cavity',
      walls: [
        { panel: 'sill', layer: 'membrane' },
        { panel: 'sill', layer: 'inner' },
      ],
      drains: ['drain-1', 'drain-3'],
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
      id: 'hinge-post',
      name: 'Hinge post cavity',
      walls: [
        { panel: 'hinge-post', layer: 'outer' },
        { panel: 'hinge-post', layer: 'inner' },
      ],
      drains: ['drain'],
    }),
    ...bothSides({
      id: 'leg-front',
      name: 'Front leg cavity',
      walls: [
        { panel: 'leg-front', layer: 'outer' },
        { panel: 'leg-front', layer: 'plate' },
      ],
      drains: ['drain'],
    }),
    ...bothSides({
      id: 'leg-rear',
      name: 'Rear leg cavity',
      walls: [
        { panel: 'leg-rear', layer: 'outer' },
        { panel: 'leg-rear', layer: 'plate' },
      ],
      drains: ['drain'],
    }),
  ],
  meetings: meetingsOf(panels, saloonMeetings),
  frame: saloonFrame(panels),
};
