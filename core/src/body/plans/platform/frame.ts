import type { Frame, Panel } from '../../types.ts';
import { frameOf, hungDoors, hungLid } from '../kit/index.ts';

/* Where this body is measured, and what hangs on it; mm. */
export const platformFrame = (panels: readonly Panel[]): Frame =>
  frameOf({
    door: { hinge: 1204, corner: 1560, lock: 2202, foot: 134, head: 1142, halfFoot: 700, halfHead: 590 },
    under: [
      ['head-front', 'Frame head, axle mount', 200, 280, 60],
      ['edge-front', 'First bolt of the pan edge', 1020, 680, 70],
      ['edge-rear', 'Last bolt of the pan edge', 2420, 680, 70],
      ['fork', 'Spring mount of the rear fork', 3352, 250, 150],
    ],
    openings: [
      {
        id: 'front-lid',
        name: 'Front lid opening',
        pairs: [
          ['nose', 'Upper corner of the front panel', 140, 560, 560],
          ['scuttle', 'Corner of the scuttle', 1090, 620, 740],
        ],
        sides: [['inner-wing'], ['front-panel'], ['cowl', 'bulkhead']],
      },
      {
        id: 'rear-lid',
        name: 'Rear lid opening',
        pairs: [
          ['deck', 'Corner of the rear deck', 3060, 560, 800],
          ['rear', 'Upper corner of the rear panel', 3800, 600, 560],
        ],
        sides: [['quarter'], ['rear-deck'], ['rear-panel']],
      },
    ],
    across: { below: ['pan-front-l', 'pan-front-r', 'tunnel'], above: ['cowl', 'roof', 'dash'] },
    hung: [
      ...hungDoors(panels),
      hungLid(panels, 'front-lid', {
        name: 'Front lid',
        hinges: 'rear',
        on: { hinges: 'bulkhead', catch: 'front-panel' },
      }),
      hungLid(panels, 'rear-lid', {
        name: 'Rear lid',
        hinges: 'front',
        on: { hinges: 'rear-deck', catch: 'rear-panel' },
      }),
    ],
  });
