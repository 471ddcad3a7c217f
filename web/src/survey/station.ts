import type { Station } from '../station.ts';

export const survey: Station = {
  name: 'survey',
  path: '/vehicles/:id/panels/:panel',
  title: 'Survey',
  question: 'How thick is it, how sure is that, and where next?',
  scope: 'panel',
  page: () => import('./SurveyPage.vue'),
  keys: [
    ['R', 'Take readings'],
    ['Z', 'Draw a zone'],
    ['Enter', 'Store the reading, close the zone'],
    ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
  ],
  onLine: true,
};

export const learnt: Station = {
  name: 'learnt',
  path: '/learnt',
  title: 'Learnt',
  question: 'What has the shop learnt of what lies behind what shows?',
  scope: 'shop',
  page: () => import('./LearntPage.vue'),
};
