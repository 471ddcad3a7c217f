import type { Station } from '../station.ts';

export const practice: Station = {
  name: 'practice',
  path: '/practice',
  title: 'Practice',
  question: 'What would you have found on a car whose damage is known?',
  scope: 'shop',
  page: () => import('./PracticePage.vue'),
  inBar: true,
  inside: true,
};
