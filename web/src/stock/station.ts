import type { Station } from '../station.ts';

export const stock: Station = {
  name: 'stock',
  path: '/stock',
  title: 'Sheets',
  question: 'Which sheets are here, and what is cut from which?',
  scope: 'shop',
  page: () => import('./StockPage.vue'),
  inBar: true,
  inside: true,
};
