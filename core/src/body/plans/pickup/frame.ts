import type { Frame, Panel } from '../../types.ts';
import { frameOf, hangs, hungDoors, hungLid } from '../kit/index.ts';

/* Where this body is measured, and what hangs on it; mm. */
export const pickupFrame = (panels: readonly Panel[]): Frame =>
  frameOf({
    door: { hinge: 1414, corner: 1640, lock: 2372, foot: 146, head: 1262, halfFoot: 742, halfHead: 640 },
    under: [
      ['rail-nose', 'Front end of the rail', 60, 430, 40],
      ['body-front', 'Front cab mount on the frame', 1094, 430, 40],
      ['body-rear', 'Rear cab mount', 2475, 532, 90],
      ['spring', 'Rear spring hanger', 4012, 430, 40],
    ],
    openings: [
      {
        id: 'bonnet',
        name: 'Bonnet opening',
        pairs: [
          ['slam', 'Upper corner of the front panel', 120, 640, 690],
          ['scuttle', 'Corner of the scuttle', 1330, 660, 780],
        ],
        sides: [['inner-wing'], ['front-panel'], ['cowl', 'bulkhead']],
      },
    ],
    around: { lock: ['cab-corner'] },
    across: {
      below: ['cab-floor-l', 'cab-floor-r', 'tunnel', 'crossmember-middle'],
      above: ['cowl', 'roof', 'cab-back'],
    },
    hung: [
      ...hungDoors(panels),
      ...(['l', 'r'] as const).map((side) =>
        hangs(panels, {
          id: `cab-${side}`,
          name: `Door opening on the cab mounts, ${side === 'l' ? 'left' : 'right'}`,
          panel: `door-skin-${side}`,
          shimmed: 'up',
          at: [
            ['front', 'Front cab mount', side === 'l' ? -0.1 : 1.1, -0.12, [`cab-floor-${side}`]],
            ['rear', 'Rear cab mount', side === 'l' ? 1.1 : -0.1, -0.12, [`cab-corner-${side}`, `cab-mount-${side}`]],
          ],
        }),
      ),
      hungLid(panels, 'bonnet', { name: 'Bonnet', hinges: 'rear', on: { hinges: 'bulkhead', catch: 'front-panel' } }),
    ],
  });
