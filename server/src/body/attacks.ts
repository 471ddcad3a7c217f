import { squareAt } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'an outline of a panel',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/panels/roof/outline`,
    body: () => ({ outline: squareAt(0, 0, 300), name: 'Own', version: 99 }),
  },
];
