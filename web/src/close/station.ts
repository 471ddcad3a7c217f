import type { Station } from '../station.ts';

export const close: Station = {
  name: 'close',
  path: '/vehicles/:id/close',
  title: 'Close',
  question: 'What must be coated before it is shut?',
  scope: 'car',
  page: () => import('./ClosePage.vue'),
  onLine: true,
  inside: true,
};
