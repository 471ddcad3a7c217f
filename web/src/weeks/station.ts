import type { Station } from '../station.ts';

export const weeks: Station = {
  name: 'weeks',
  path: '/weeks',
  title: 'The weeks ahead',
  question: 'Who works on which car when, and when is each ready?',
  scope: 'shop',
  page: () => import('./WeeksPage.vue'),
  inside: true,
};
