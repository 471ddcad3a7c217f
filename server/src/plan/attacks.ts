import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'somebody who works',
    method: 'post',
    path: () => '/workers',
    body: () => ({
      id: randomUUID(),
      name: `Nobody ${randomUUID().slice(0, 8)}`,
      week: [[[18, 20]], [], [], [], [], [[9, 12]], []],
      off: ['2027-01-02'],
      timeZone: 'Europe/Berlin',
    }),
  },
  {
    name: 'the hours of somebody',
    method: 'put',
    path: ({ repair }) => `/workers/${repair}`,
    body: () => ({ name: 'Nobody', week: [[], [], [], [], [], [], []], off: [], timeZone: 'UTC', version: 1 }),
  },
  {
    name: 'the day that was promised',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/plan/wish`,
    body: () => ({ promised: '2027-03-01', outdoors: true, version: 99 }),
  },
];
