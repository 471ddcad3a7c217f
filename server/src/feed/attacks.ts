import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  { name: 'an address for a calendar', method: 'post', path: () => '/feed', body: () => ({}) },
];
