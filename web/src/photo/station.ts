import type { Station } from '../station.ts';

export const photo: Station = {
  name: 'photo',
  path: '/vehicles/:id/photos',
  title: 'Pictures',
  question: 'What do the pictures show, true to size?',
  scope: 'car',
  page: () => import('./PhotosPage.vue'),
  under: [{ path: '/vehicles/:id/photos/:photo', title: 'Picture', page: () => import('./PhotoPage.vue') }],
  onLine: true,
};
