import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'the money for parts',
    method: 'put',
    path: () => '/purse',
    body: () => ({ there: 20_000, comes: [{ amount: 50_000, first: '2026-12-01', every: 'month' }], version: 99 }),
  },
];
