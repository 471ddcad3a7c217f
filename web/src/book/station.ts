import type { Station } from '../station.ts';

export const book: Station = {
  name: 'book',
  path: '/book',
  title: 'Bench book',
  question: 'One calculation by itself.',
  scope: 'shop',
  page: () => import('./BookShelf.vue'),
  under: [
    { path: '/book/figures/:id', title: 'By figures', page: () => import('./figures/FiguresPage.vue') },
    { path: '/book/rules-of-thumb', title: 'Rules of thumb', page: () => import('./ThumbPage.vue') },
    { path: '/book/:name', title: 'Bench book', page: () => import('./BookRoute.vue') },
  ],
  inBar: true,
  open: true,
};
