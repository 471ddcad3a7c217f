import type { Attack } from '../testing/attacks.ts';

const car = { plan: 'saloon', level: 1, seed: 3 };

export const attacks: readonly Attack[] = [
  {
    name: 'a reading of a made-up car',
    method: 'post',
    path: () => '/practice/read',
    body: () => ({ ...car, panel: 'roof', at: [500, 300], gauge: 'metal', n: 0 }),
  },
  {
    name: 'the end of an exercise',
    method: 'post',
    path: () => '/practice/end',
    body: () => ({ ...car, answers: [], readings: 0 }),
  },
];
