import type { Station } from '../station.ts';

export const body: Station = {
  name: 'body',
  path: '/vehicles/:id/panels/:panel/outline',
  title: 'Outline',
  question: 'What shape is this panel on this car?',
  scope: 'panel',
  page: () => import('./OutlinePage.vue'),
  under: [{ path: '/vehicles/:id/panels/:panel/facts', title: 'On this car', page: () => import('./FactsPage.vue') }],
};
