import type { Station } from '../station.ts';

export const record: Station = {
  name: 'record',
  path: '/vehicles/:id/record',
  title: 'Record',
  question: 'What was found, decided and done?',
  scope: 'car',
  page: () => import('./RecordPage.vue'),
  onLine: true,
  inside: true,
};

export const shared: Station = {
  name: 'shared',
  path: '/shared/:token',
  title: 'Record',
  question: 'What was done at this car?',
  scope: 'shop',
  page: () => import('./SharedPage.vue'),
  open: true,
};
