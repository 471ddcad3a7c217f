import type { Station } from '../station.ts';

export const job: Station = {
  name: 'job',
  path: '/vehicles/:id/job',
  title: 'Job',
  question: 'What has to be done, in which order, and why?',
  scope: 'car',
  page: () => import('./JobPage.vue'),
  onLine: true,
  inside: true,
};
