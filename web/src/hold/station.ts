import type { Station } from '../station.ts';

export const hold: Station = {
  name: 'hold',
  path: '/vehicles/:id/hold',
  title: 'Hold',
  question: 'Is it square, and has it moved?',
  scope: 'car',
  page: () => import('./HoldPage.vue'),
  onLine: true,
  inside: true,
};
