import type { Frame, Panel } from '../../types.ts';
import { frameOf, hungDoors, hungLid } from '../kit/index.ts';

/* Where this body is measured, and what hangs on it; mm. */
export const offroaderFrame = (panels: readonly Panel[]): Frame =>
  frameOf({
    door: { hinge: 1284, corner: 1330, lock: 2134, foot: 146, head: 1440, halfFoot: 690, halfHead: 640 },
    under: [
      ['rail-nose', 'Front end of the rail', 40, 430, 30],
      ['bulkhead', 'Bulkhead outrigger', 1010, 560, 60],
      ['tub', 'Tub outrigger', 2230, 560, 60],
      ['spring', 'Rear spring hanger', 3256, 430, 30],
    ],
    openings: [
      {
        id: 'bonnet',
        name: 'Bonnet opening',
        pairs: [
          ['slam', 'Upper corner of the front panel', 110, 600, 740],
          ['scuttle', 'Corner of the scuttle', 1200, 640, 820],
        ],
        sides: [['inner-wing'], ['front-panel'], ['scuttle', 'bulkhead']],
      },
    ],
    across: {
      below: ['floor-front-l', 'floor-front-r', 'tunnel', 'seat-box'],
      above: ['scuttle', 'windscreen-frame', 'roof'],
    },
    hung: [
      ...hungDoors(panels),
      hungLid(panels, 'bonnet', { name: 'Bonnet', hinges: 'rear', on: { hinges: 'bulkhead', catch: 'front-panel' } }),
    ],
  });
