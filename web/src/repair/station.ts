import type { Station } from '../station.ts';

export const joints: Station = {
  name: 'joints',
  path: '/vehicles/:id/repairs/:repair/joints',
  title: 'Joints',
  question: 'What holds this piece, and what of it is opened?',
  scope: 'repair',
  page: () => import('./JointsPage.vue'),
  onLine: true,
  inside: true,
};
