import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a way in',
    method: 'put',
    path: ({ repair }) => `/repairs/${repair}/way`,
    body: () => ({
      ...{ depth: 60, clearance: 50, lines: [{ across: true, at: 100 }], chosen: null, version: 99 },
      routes: [
        {
          id: '3c1f0a52-2f0e-4d3e-8a8e-1f1e5f0b7a01',
          name: 'Door',
          opening: { a: 900, b: 700 },
          room: null,
          parts: [{ what: 'Seat', off: 0.2, on: 0.3, risk: '', chance: 0, price: 0 }],
        },
      ],
    }),
  },
];
