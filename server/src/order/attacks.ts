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
    name: 'an order followed',
    method: 'put',
    path: ({ order }) => `/orders/${order}/track`,
    body: () => ({ number: 'X1', version: 99 }),
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
  {
    name: 'an order checked',
    method: 'post',
    path: ({ order }) => `/orders/${order}/check`,
    body: () => ({
      ...{ points: {}, thickness: null, short: 0, outcome: 'fits', hours: 0 },
      ...{ on: '2026-02-01', note: '', credit: null, again: null, version: 99 },
    }),
  },
  {
    name: 'orders sent together',
    method: 'post',
    path: () => '/orders/parcel',
    body: ({ order }) => ({
      ...{ id: '7f3b1b0a-3c5e-4a57-9b3c-0d8a2f0e6a11', maker: 'Harrow', carriage: 1, on: '2026-02-01', due: null },
      ...{ lines: [{ id: order, version: 99, price: 1 }], note: '' },
    }),
  },
];
