import type { Station } from '../station.ts';

export const house: Station = {
  name: 'house',
  path: '/house',
  title: 'House rules',
  question: 'How does this shop work, and who belongs to it?',
  scope: 'shop',
  page: () => import('./HousePage.vue'),
  inBar: true,
  inside: true,
};
