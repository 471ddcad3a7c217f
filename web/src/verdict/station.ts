import type { Station } from '../station.ts';

export const verdict: Station = {
  name: 'verdict',
  path: '/vehicles/:id/panels/:panel/verdict',
  title: 'Verdict',
  question: 'Treat, patch, part, whole panel or make?',
  scope: 'panel',
  page: () => import('./VerdictPage.vue'),
  onLine: true,
  inside: true,
};
