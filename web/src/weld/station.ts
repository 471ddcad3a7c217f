import type { Station } from '../station.ts';

export const weld: Station = {
  name: 'weld',
  path: '/vehicles/:id/repairs/:repair/weld',
  title: 'Weld',
  question: 'Which stitch next, how hot, how long to wait?',
  scope: 'repair',
  page: () => import('./WeldPage.vue'),
  under: [
    { path: '/vehicles/:id/repairs/:repair/bench', title: 'Bench mode', page: () => import('./BenchPage.vue') },
    {
      path: '/vehicles/:id/repairs/:repair/weld/heat',
      title: 'Heat of the plan',
      page: () => import('./HeatPage.vue'),
    },
  ],
  keys: [['Space', 'Weld plan and its heat: play or stop. Bench mode: step done']],
  onLine: true,
  inside: true,
};
