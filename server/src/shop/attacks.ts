import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'house rules',
    method: 'put',
    path: () => '/shop',
    body: () => ({
      ...{
        name: 'Attacked',
        currency: 'EUR',
        unit: 'mm',
        taxRate: 0.2,
        overlay: false,
        paints: false,
        temperature: 18,
        version: 99,
      },
      ...{ coatingUnit: 'mil', heatUnit: 'F' },
      schools: { seen: 'butt', hidden: 'lap', flange: 'plug' },
      rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
    }),
  },
];
