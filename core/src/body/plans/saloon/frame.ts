import type { Frame, Panel } from '../../types.ts';
import { frameOf, hungDoors, hungLid } from '../kit/index.ts';

/* Where this body is measured, and what hangs on it; mm. */
export const saloonFrame = (panels: readonly Panel[]): Frame =>
  frameOf({
    door: { hinge: 1262, corner: 1700, lock: 2338, foot: 138, head: 1176, halfFoot: 672, halfHead: 588 },
    under: [
      ['leg-nose', 'Front end of the chassis leg', 190, 398, 262],
      ['suspension', 'Front suspension mount', 650, 398, 216],
      ['arm', 'Rear arm mount', 2196, 512, 204],
      ['spring-rear', 'Rear spring hanger', 3570, 449, 268],
    ],
    openings: [
      {
        id: 'bonnet',
        name: 'Bonnet opening',
        pairs: [
          ['slam', 'End of the slam panel', 96, 590, 640],
          ['scuttle', 'Corner of the scuttle', 1160, 610, 742],
        ],
        sides: [['inner-wing'], ['slam-panel', 'front-panel'], ['cowl', 'bulkhead']],
      },
      {
        id: 'boot',
        name: 'Boot opening',
        pairs: [
          ['deck', 'Corner of the rear deck', 3120, 560, 770],
          ['tail', 'Corner of the tail panel', 3800, 600, 690],
        ],
        sides: [['quarter'], ['rear-deck'], ['tail-panel']],
      },
    ],
    across: {
      below: ['floor-front-l', 'floor-front-r', 'tunnel', 'crossmember', 'heel-board'],
      above: ['cowl', 'roof'],
    },
    hung: [
      ...hungDoors(panels),
      hungLid(panels, 'bonnet', { name: 'Bonnet', hinges: 'rear', on: { hinges: 'bulkhead', catch: 'slam-panel' } }),
      hungLid(panels, 'boot-lid', {
        name: 'Boot lid',
        hinges: 'front',
        on: { hinges: 'rear-deck', catch: 'tail-panel' },
      }),
    ],
  });
