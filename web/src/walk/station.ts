import type { Station } from '../station.ts';

export const walk: Station = {
  name: 'walk',
  path: '/vehicles/:id/walk',
  title: 'Walk-round',
  question: 'Where does such a car rust first, and what is there?',
  scope: 'car',
  page: () => import('./WalkPage.vue'),
  onLine: true,
};
