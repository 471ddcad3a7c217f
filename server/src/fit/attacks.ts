import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a trial fit',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/fit/rounds`,
    body: () => ({
      id: randomUUID(),
      readings: [{ place: '0:0', gap: 1, flush: 0 }],
      neighbours: [{ name: 'Door to quarter', gap: 4, wanted: 4 }],
      note: 'two clamps at the top',
    }),
  },
  {
    name: 'welding it as it is',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/fit/overruled`,
    body: () => ({ reason: 'nobody sees it there' }),
  },
];
