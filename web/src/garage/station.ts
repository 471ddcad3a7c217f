import type { Station } from '../station.ts';

export const garage: Station = {
  name: 'garage',
  path: '/',
  title: 'Garage',
  question: 'Which car, and what can be done on it now?',
  scope: 'shop',
  page: () => import('./GaragePage.vue'),
  inBar: true,
};
