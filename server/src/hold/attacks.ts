import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

const at = (vehicle: string) => `/vehicles/${vehicle}/hold`;

export const attacks: readonly Attack[] = [
  {
    name: 'a measurement',
    method: 'post',
    path: ({ vehicle }) => `${at(vehicle)}/rounds`,
    body: () => ({ id: randomUUID(), name: 'Before the first cut', stand: 'stands' }),
  },
  {
    name: 'a change of a measurement',
    method: 'put',
    path: ({ vehicle, repair }) => `${at(vehicle)}/rounds/${repair}`,
    body: () => ({ name: 'Before', stand: 'jig', finished: true, kept: ['hinge-foot-l'], version: 1 }),
  },
  {
    name: 'a tape',
    method: 'post',
    path: ({ vehicle, repair }) => `${at(vehicle)}/rounds/${repair}/tapes`,
    body: () => ({ id: randomUUID(), kind: 'tape', from: 'hinge-foot-l', to: 'lock-foot-l', length: 1076 }),
  },
  {
    name: 'a point of one’s own',
    method: 'post',
    path: ({ vehicle }) => `${at(vehicle)}/points`,
    body: () => ({ id: randomUUID(), name: 'Jack point', figure: 'under', at: [1500, 600] }),
  },
  {
    name: 'a brace',
    method: 'post',
    path: ({ vehicle }) => `${at(vehicle)}/braces`,
    body: () => ({ id: randomUUID(), figure: 'door-l', ends: ['hinge-foot-l', 'lock-head-l'], length: 1370 }),
  },
  {
    name: 'a brace that comes out',
    method: 'put',
    path: ({ vehicle, repair }) => `${at(vehicle)}/braces/${repair}/out`,
    body: () => ({ reason: 'it is in the way' }),
  },
  {
    name: 'gaps',
    method: 'post',
    path: ({ vehicle }) => `${at(vehicle)}/gaps`,
    body: () => ({
      id: randomUUID(),
      hung: 'door-l',
      readings: ['front-upper', 'rear-lower', 'lower-middle'].map((place) => ({ place, gap: 4, wanted: 4 })),
      shims: [1, 2],
    }),
  },
];
