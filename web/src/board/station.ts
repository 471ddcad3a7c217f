import type { Station } from '../station.ts';

export const board: Station = {
  name: 'board',
  path: '/vehicles/:id',
  title: 'Board',
  question: 'How does the whole body stand?',
  scope: 'car',
  page: () => import('./BoardPage.vue'),
  onLine: true,
};
