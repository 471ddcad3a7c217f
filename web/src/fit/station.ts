import type { Station } from '../station.ts';

export const fit: Station = {
  name: 'fit',
  path: '/vehicles/:id/repairs/:repair/fit',
  title: 'Fit',
  question: 'When does it fit?',
  scope: 'repair',
  page: () => import('./FitPage.vue'),
  onLine: true,
  inside: true,
};
