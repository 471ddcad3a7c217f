import type { Attack } from '../testing/attacks.ts';

const line = { panel: 'roof', maker: 'Harrow', price: 1, quantity: 1, carriage: 0, due: null, note: '' };

export const attacks: readonly Attack[] = [
  { name: 'an order', method: 'post', path: () => '/orders', body: ({ vehicle }) => ({ ...line, vehicleId: vehicle }) },
  {
    name: 'a changed order',
    method: 'put',
    path: ({ order }) => `/orders/${order}`,
    body: () => {
      const { panel: _panel, ...rest } = line;
      return { ...rest, version: 99 };
    },
  },
  {
    name: 'a moved order',
    method: 'post',
    path: ({ order }) => `/orders/${order}/move`,
    body: () => ({ state: 'ordered', on: '2026-02-01', due: null, note: '', version: 99 }),
  },
  {
    name: 'an order moved back',
    method: 'post',
    path: ({ order }) => `/orders/${order}/back`,
    body: () => ({ version: 99 }),
  },
  {
    name: 'an order kept',
    method: 'post',
    path: ({ order }) => `/orders/${order}/keep`,
    body: () => ({ version: 99 }),
  },
];
