import type { Station } from '../station.ts';

export const whole: Station = {
  name: 'whole',
  path: '/vehicles/:id/whole',
  title: 'Whole car',
  question: 'Go on with patches, or order it all?',
  scope: 'car',
  page: () => import('./WholePage.vue'),
  inside: true,
};
