import { randomUUID } from 'node:crypto';
import { reading, zoneInput } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

const place = { panel: 'sill-l', layer: 'outer', u: 300, v: 60 };

export const attacks: readonly Attack[] = [
  {
    name: 'readings',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/readings`,
    body: () => ({ readings: [reading()] }),
  },
  {
    name: 'one reading',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/readings`,
    body: () => reading(),
  },
  {
    name: 'withdrawn readings',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/readings/withdraw`,
    body: () => ({ ids: [randomUUID()], withdrawn: true }),
  },
  { name: 'a zone', method: 'post', path: ({ vehicle }) => `/vehicles/${vehicle}/zones`, body: () => zoneInput() },
  {
    name: 'a change of a zone',
    method: 'put',
    path: ({ vehicle, zone }) => `/vehicles/${vehicle}/zones/${zone}`,
    body: () => {
      const { id: _id, panel: _panel, ...rest } = zoneInput();
      return { ...rest, version: 1 };
    },
  },
  {
    name: 'two zones made one',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/zones/operate`,
    body: ({ zone }) => ({ op: 'merge', zone, version: 1, other: randomUUID(), otherVersion: 1 }),
  },
  {
    name: 'a split zone',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/zones/operate`,
    body: ({ zone }) => ({
      op: 'split',
      zone,
      version: 99,
      line: [
        [1150, 0],
        [1150, 900],
      ],
    }),
  },
  {
    name: 'a find',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/finds`,
    body: () => ({ id: randomUUID(), ...place, sign: 'hole', note: '', place: null, photoId: null }),
  },
  {
    name: 'a changed find',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/finds/00000000-0000-4000-8000-000000000000`,
    body: () => ({ sign: 'hole', note: '', closed: { note: 'Welded up', photoId: null }, version: 1 }),
  },
  {
    name: 'a look',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/walk`,
    body: () => ({ place: 'nowhere', state: 'looked' }),
  },
  {
    name: 'a pit',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/pits`,
    body: () => ({ id: randomUUID(), ...place, side: 60, depth: 0.2, pits: 4, mouth: 2 }),
  },
];
