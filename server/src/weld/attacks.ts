import { weldDefaults } from '@aspecta/contract/weld';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a weld plan',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/weld`,
    body: () => ({ ...weldDefaults, version: 99 }),
  },
  {
    name: 'strategies of welding',
    method: 'post',
    path: ({ repair }) => `/repairs/${repair}/weld/compare`,
    body: () => ({ ...weldDefaults }),
  },
  {
    name: 'a round of welds',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/weld/steps`,
    body: () => ({ steps: [1, 2], done: true, version: 1 }),
  },
  {
    name: 'a weld',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/weld/steps/1`,
    body: () => ({ done: true, version: 1 }),
  },
];
