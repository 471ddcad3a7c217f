import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'how the edges of a piece go on',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/pattern`,
    body: () => ({
      thickness: null,
      radius: 1,
      trim: 5,
      turns: [{ at: [0, 0], kind: 'spot', width: 15, angle: 90, way: 'in' }],
      version: 0,
    }),
  },
];
