import { car } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  { name: 'a vehicle', method: 'post', path: () => '/vehicles', body: () => ({ ...car }) },
  {
    name: 'a change of a vehicle',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}`,
    body: () => ({ ...car, planId: undefined, version: 1 }),
  },
];
