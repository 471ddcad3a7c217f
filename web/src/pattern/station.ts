import type { Station } from '../station.ts';

export const pattern: Station = {
  name: 'pattern',
  path: '/vehicles/:id/repairs/:repair/pattern',
  title: 'Pattern',
  question: 'What is cut from flat sheet, and where is it bent?',
  scope: 'repair',
  page: () => import('./PatternPage.vue'),
  onLine: true,
  inside: true,
};
