import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'the same on the other side',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/side`,
    body: () => ({ into: null, id: randomUUID(), zoneIds: [randomUUID()] }),
  },
];
