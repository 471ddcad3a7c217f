import { cutDefaults } from '@aspecta/contract/cut';
import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a cut',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/cut`,
    body: () => ({ ...cutDefaults, version: 99 }),
  },
];
