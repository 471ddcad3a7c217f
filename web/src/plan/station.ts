import type { Station } from '../station.ts';

export const plan: Station = {
  name: 'plan',
  path: '/vehicles/:id/plan',
  title: 'Plan',
  question: 'What can be done tonight, and when is it ready?',
  scope: 'car',
  page: () => import('./PlanPage.vue'),
  onLine: true,
  inside: true,
};
