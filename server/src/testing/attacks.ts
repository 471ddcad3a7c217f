/// <reference types="vite/types/importMeta.d.ts" />
import { cutDefaults } from '@aspecta/contract/cut';
import { weldDefaults } from '@aspecta/contract/weld';
import { decided, ownerOf, vehicleOf, zoneInput, type House, type Visitor } from './house.ts';

/** What an attack is made on: one car with a zone, a decision with its weld plan, and an order. */
export interface Target {
  vehicle: string;
  repair: string;
  zone: string;
  order: string;
}

/** An address that changes something, with a good body; `attacks.ts` of each station lists its own. */
export interface Attack {
  name: string;
  method: 'post' | 'put';
  path: (at: Target) => string;
  body: (at: Target) => Record<string, unknown>;
  /** It changes nothing and needs no account. */
  open?: boolean;
}

/** All attacks of all stations: a station's own are found by the name of their file. */
export const attacks: readonly Attack[] = Object.values(
  import.meta.glob<{ attacks: readonly Attack[] }>('../*/attacks.ts', { eager: true }),
).flatMap((file) => file.attacks);

export async function targetIn(house: House): Promise<{ owner: Visitor; target: Target }> {
  const owner = await ownerOf(house);
  const vehicle = await vehicleOf(owner);
  const repair = (await decided(owner, vehicle, 'patch')).id;
  await owner.put(`/repairs/${repair}/cut`, { ...cutDefaults, version: 0 });
  await owner.put(`/repairs/${repair}/weld`, { ...weldDefaults, version: 0 }).expect(200);
  const zone = ((await owner.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201)).body as { id: string }).id;
  const line = { vehicleId: vehicle, panel: 'roof', maker: 'Harrow', price: 1, quantity: 1, carriage: 0 };
  const order = ((await owner.post('/orders', line).expect(201)).body as { id: string }).id;
  return { owner, target: { vehicle, repair, zone, order } };
}
