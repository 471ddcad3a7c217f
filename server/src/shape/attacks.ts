import { squareAt } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'an outline as a file',
    method: 'post',
    path: () => '/shape/outline',
    body: () => ({ as: 'dxf', title: 'Piece', cut: [squareAt(0, 0, 300)], mark: [] }),
    open: true,
  },
];
