import type { Station } from '../station.ts';

export const order: Station = {
  name: 'order',
  path: '/orders',
  title: 'Orders',
  question: 'What is awaited, from whom, and what does it cost?',
  scope: 'shop',
  page: () => import('./OrdersPage.vue'),
  inBar: true,
  onLine: true,
  inside: true,
};
