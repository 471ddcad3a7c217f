import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

const sheet = { name: 'Sheet', width: 1000, height: 2000, thickness: 0.9, material: 'steel' };
const laid = (repair: string) => ({ blanks: [repair], gap: 5, turn: true });

export const attacks: readonly Attack[] = [
  {
    name: 'a sheet in the rack',
    method: 'post',
    path: () => '/stock/sheets',
    body: () => ({ id: randomUUID(), ...sheet }),
  },
  {
    name: 'a sheet changed',
    method: 'put',
    path: ({ repair }) => `/stock/sheets/${repair}`,
    body: () => ({ ...sheet, version: 1 }),
  },
  { name: 'pieces on sheets', method: 'post', path: () => '/stock/lay-out', body: ({ repair }) => laid(repair) },
  {
    name: 'a sheet cut up',
    method: 'post',
    path: () => '/stock/cut',
    body: ({ repair }) => ({ ...laid(repair), sheet: randomUUID(), version: 1 }),
  },
];
