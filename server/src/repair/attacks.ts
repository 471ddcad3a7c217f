import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'marked fasteners',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/fasteners`,
    body: () => ({ ids: ['5:5'], state: 'opened' }),
  },
  {
    name: 'a joint',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/joints`,
    body: () => ({ at: [10, 10], kind: 'cut', closing: 'lap', pitch: null, version: 99 }),
  },
];
