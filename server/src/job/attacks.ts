import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a word on a step',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/job/said`,
    body: ({ repair }) => ({ step: `${repair} weld`, state: 'blocked', reason: 'no wire left', until: '2027-01-05' }),
  },
  {
    name: 'a clock on a step',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/job/clock`,
    body: () => ({ step: 'car safe', run: true, drop: false }),
  },
  {
    name: 'a step of one’s own',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/job/steps`,
    body: () => ({ id: randomUUID(), title: 'Engine out', hours: 6, after: ['car safe'] }),
  },
  {
    name: 'a change of a step',
    method: 'put',
    path: ({ vehicle, repair }) => `/vehicles/${vehicle}/job/steps/${repair}`,
    body: () => ({ title: 'Engine out', hours: 6, after: ['car safe'], version: 1 }),
  },
];
