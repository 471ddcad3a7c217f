import type { DrawnSeam } from '../../draw.ts';
import { CANT_QUARTER, SILL_QUARTER } from './flank.ts';

/* Joints as built; each line in the view in which its panel is drawn. */
export const saloonSeams: readonly DrawnSeam[] = [
  {
    id: 'sill-quarter',
    name: 'Sill to rear quarter',
    kind: 'spot',
    pitch: 38,
    sides: [
      { panel: 'sill', line: SILL_QUARTER },
      { panel: 'quarter', line: SILL_QUARTER },
    ],
  },
  {
    id: 'pillar-quarter',
    name: 'Cant rail to rear quarter',
    kind: 'brazed',
    pitch: 30,
    sides: [
      { panel: 'pillar', line: CANT_QUARTER },
      { panel: 'quarter', line: CANT_QUARTER },
    ],
  },
  {
    id: 'floor-sill',
    name: 'Front floor to inner sill',
    kind: 'spot',
    pitch: 38,
    sides: [
      {
        panel: 'floor-front',
        line: [
          [1198, 612],
          [2108, 612],
        ],
      },
      {
        panel: 'sill',
        line: [
          [1270, 120],
          [2180, 120],
        ],
      },
    ],
  },
  {
    id: 'floor-heel',
    name: 'Front floor to heel board',
    kind: 'spot',
    pitch: 40,
    sides: [
      {
        panel: 'floor-front',
        line: [
          [2116, 110],
          [2116, 600],
        ],
      },
      {
        panel: 'heel-board',
        line: [
          [2124, 110],
          [2124, 600],
        ],
      },
    ],
  },
  {
    id: 'seat-floor-heel',
    name: 'Rear seat floor to heel board',
    kind: 'spot',
    pitch: 40,
    sides: [
      {
        panel: 'floor-rear',
        line: [
          [2256, 120],
          [2256, 600],
        ],
      },
      {
        panel: 'heel-board',
        line: [
          [2248, 120],
          [2248, 600],
        ],
      },
    ],
  },
  {
    id: 'leg-boot-floor',
    name: 'Rear leg to boot floor',
    kind: 'spot',
    pitch: 50,
    sides: [
      {
        panel: 'leg-rear',
        line: [
          [3200, 404],
          [3700, 404],
        ],
      },
      {
        panel: 'boot-floor',
        line: [
          [3200, 394],
          [3700, 394],
        ],
      },
    ],
  },
  {
    id: 'slam-front',
    name: 'Slam panel to front panel',
    kind: 'spot',
    pitch: 45,
    sides: [
      {
        panel: 'slam-panel',
        line: [
          [-90, 664],
          [90, 664],
        ],
      },
      {
        panel: 'front-panel',
        line: [
          [-90, 652],
          [90, 652],
        ],
      },
    ],
  },
];
