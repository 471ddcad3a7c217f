import type { Attack } from '../testing/attacks.ts';

const where = { panel: 'roof', layer: 'outer', u: 300, v: 300, note: '', pairs: [], region: null, version: 1 };

export const attacks: readonly Attack[] = [
  {
    name: 'a change of a picture',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/photos/00000000-0000-4000-8000-000000000000`,
    body: () => ({ ...where }),
  },
];
