import { randomUUID } from 'node:crypto';
import type { Attack } from '../testing/attacks.ts';

const product = {
  name: 'Two-pack',
  kind: 'epoxy',
  hours: 16,
  latest: 72,
  least: 12,
  coverage: 7,
  weldThrough: false,
  grit: 180,
};

export const attacks: readonly Attack[] = [
  {
    name: 'a coat',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/close/coats`,
    body: ({ repair }) => ({
      id: randomUUID(),
      faces: [`${repair} outside`],
      product: 'epoxy',
      celsius: 18,
      humidity: 60,
      steel: 17,
      note: '',
    }),
  },
  {
    name: 'shutting it bare',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/close/overruled`,
    body: ({ repair }) => ({ repair, reason: 'waxed through the drain afterwards' }),
  },
  { name: 'other coats', method: 'put', path: () => '/systems', body: () => ({ systems: null, version: 99 }) },
  { name: 'a product', method: 'post', path: () => '/products', body: () => ({ ...product, id: randomUUID() }) },
  {
    name: 'a change of a product',
    method: 'put',
    path: ({ repair }) => `/products/${repair}`,
    body: () => ({ ...product, version: 1 }),
  },
];
