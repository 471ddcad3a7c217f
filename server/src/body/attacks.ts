import { squareAt } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'an outline of a panel',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/panels/roof/outline`,
    body: () => ({ outline: squareAt(0, 0, 300), name: 'Own', version: 99 }),
  },
  {
    name: 'what a panel is on this car',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/panels/roof/facts`,
    body: () => ({ facts: { visible: true }, seen: null }),
  },
  {
    name: 'a part that the plan lacks',
    method: 'put',
    path: ({ vehicle, zone }) => `/vehicles/${vehicle}/parts/${zone}`,
    body: () => ({
      ...{ name: 'Jack point', side: 'left', width: 120, height: 80, thickness: 2, material: 'steel' },
      ...{ structural: true, visible: false, edge: { kind: 'spot', pitch: 25, sheets: 2 } },
    }),
  },
  {
    name: 'one piece over several panels',
    method: 'put',
    path: ({ vehicle, zone }) => `/vehicles/${vehicle}/pieces/${zone}`,
    body: () => ({ name: 'Floor in one piece', panels: ['floor-front-l', 'tunnel', 'floor-front-r'] }),
  },
];
