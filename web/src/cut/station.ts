import type { Station } from '../station.ts';

export const cut: Station = {
  name: 'cut',
  path: '/vehicles/:id/repairs/:repair/cut',
  title: 'Cut',
  question: 'Where does the saw go, and does the piece pass?',
  scope: 'repair',
  page: () => import('./CutPage.vue'),
  onLine: true,
  inside: true,
};
