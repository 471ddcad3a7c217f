import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

const reel = { kind: 'wire', name: 'Reel of wire', counted: 900, least: 0, useBy: null };

export const attacks: readonly Attack[] = [
  { name: 'something on the shelf', method: 'post', path: () => '/shelf', body: () => ({ id: randomUUID(), ...reel }) },
  {
    name: 'something counted anew',
    method: 'put',
    path: ({ repair }) => `/shelf/${repair}`,
    body: () => ({ ...reel, version: 1 }),
  },
];
