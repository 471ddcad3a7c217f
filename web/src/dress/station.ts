import type { Station } from '../station.ts';

export const dress: Station = {
  name: 'dress',
  path: '/vehicles/:id/repairs/:repair/dress',
  title: 'Dress',
  question: 'How level is it, and what is tapped, stretched or filled?',
  scope: 'repair',
  page: () => import('./DressPage.vue'),
  onLine: true,
  inside: true,
};
