import type { Station } from '../station.ts';

export const way: Station = {
  name: 'way',
  path: '/vehicles/:id/repairs/:repair/way',
  title: 'Way in',
  question: 'How does it get in, and what comes off for it?',
  scope: 'repair',
  page: () => import('./WayPage.vue'),
  onLine: true,
  inside: true,
};
