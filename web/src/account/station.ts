import type { Station } from '../station.ts';

export const account: Station = {
  name: 'account',
  path: '/account',
  title: 'Your account',
  question: 'Where am I signed in, and with which password?',
  scope: 'shop',
  page: () => import('./AccountPage.vue'),
};

export const join: Station = {
  name: 'join',
  path: '/join/:token',
  title: 'Join',
  question: 'Into which shop am I invited?',
  scope: 'shop',
  page: () => import('./JoinPage.vue'),
  open: true,
};
