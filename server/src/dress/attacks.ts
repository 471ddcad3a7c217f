import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a straight edge over the welds',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/dress/rounds`,
    body: () => ({ id: randomUUID(), readings: [{ place: '0:0', mm: -1 }], note: 'after the first pass' }),
  },
];
