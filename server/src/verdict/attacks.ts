import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a price',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/offers`,
    body: () => ({ panel: 'roof', maker: 'Harrow', price: 100, carriage: 0, leadDays: 3 }),
  },
  {
    name: 'a verdict',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/verdict`,
    body: () => ({ zoneIds: [randomUUID()] }),
  },
  {
    name: 'a decision',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/repairs`,
    body: () => ({ id: randomUUID(), zoneIds: [randomUUID()], choice: 'patch', reason: 'because' }),
  },
  {
    name: 'a changed decision',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}`,
    body: () => ({ choice: 'patch', reason: 'because', done: false, version: 99 }),
  },
  {
    name: 'a decision taken back',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/withdraw`,
    body: () => ({ reason: 'because', version: 99 }),
  },
  {
    name: 'a decision that stands again',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/restore`,
    body: () => ({ version: 99 }),
  },
  {
    name: 'other house rules tried',
    method: 'post',
    path: () => '/estimates/moved',
    body: () => ({
      rates: { hour: 9000, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
      overlay: false,
      schools: { seen: 'butt', hidden: 'lap', flange: 'plug' },
    }),
  },
];
