import { randomUUID } from 'node:crypto';
import { In, IsNull, Not, type DataSource } from 'typeorm';
import type { Offer, OfferElsewhere, OfferInput } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { landed } from '@aspecta/core/order';
import { changeOf } from '../db/changeOf.ts';
import { VehicleEntity } from '../garage/entities.ts';
import type { OwnVehicle } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { OfferEntity, type OfferRow } from './entities.ts';

/** Prices at which a panel can be bought for a car. What is known for one car counts for another only when somebody says so. */
export class OfferService {
  private readonly db: DataSource;
  private readonly shops: ShopService;

  constructor(db: DataSource, shops: ShopService) {
    this.db = db;
    this.shops = shops;
  }

  /** Notes a price; the same one sent twice, by its id, is stored once. */
  async add(caller: Caller, vehicle: OwnVehicle, { id = randomUUID(), ...input }: OfferInput): Promise<Offer> {
    panelOf(vehicle.plan, input.panel);
    const { currency } = await this.shops.shop(caller);
    return changeOf(this.db, vehicle.id, async (manager) => {
      const known = await manager.findOneBy(OfferEntity, { id });
      if (known && known.vehicleId !== vehicle.id) throw notFound('price');
      if (known) return viewOf(known);
      const row: OfferRow = {
        ...input,
        id,
        currency,
        shopId: caller.shopId,
        planId: vehicle.planId,
        vehicleId: vehicle.id,
      };
      await manager.insert(OfferEntity, row);
      return viewOf(row);
    });
  }

  /** Prices of the same panel on other cars of the shop that stand on the same body, to be taken over. */
  async elsewhere(caller: Caller, vehicle: OwnVehicle, panel: string): Promise<OfferElsewhere[]> {
    const others = await this.db.manager.findBy(VehicleEntity, {
      shopId: caller.shopId,
      planId: vehicle.planId,
      id: Not(vehicle.id),
      deletedAt: IsNull(),
    });
    if (others.length === 0) return [];
    const rows = await this.db.manager.findBy(OfferEntity, { vehicleId: In(others.map(({ id }) => id)), panel });
    return rows.map((row) => ({
      ...viewOf(row),
      vehicle: others.find(({ id }) => id === row.vehicleId)!.nickname,
    }));
  }

  /** The offer with the least landed price, as a parcel of its own; and how many are left out because of their currency. */
  async best(
    caller: Caller,
    vehicle: OwnVehicle,
    panel: string,
  ): Promise<{ offer: (Offer & { landed: number }) | null; foreign: number }> {
    const [rows, shop] = await Promise.all([
      this.db.manager.findBy(OfferEntity, { vehicleId: vehicle.id, panel }),
      this.shops.shop(caller),
    ]);
    const priced = rows
      .filter((row) => row.currency === shop.currency)
      .map((row) => ({
        ...viewOf(row),
        landed: landed({
          lines: [{ price: row.price, quantity: 1 }],
          carriage: row.carriage,
          taxRate: shop.taxRate,
          taxOnCarriage: true,
        }).total,
      }));
    const offer = priced.length === 0 ? null : priced.reduce((a, b) => (b.landed < a.landed ? b : a));
    return { offer, foreign: rows.length - priced.length };
  }
}

const viewOf = ({ id, panel, currency, maker, price, carriage, leadDays }: OfferRow): Offer => ({
  ...{ id, panel, currency, maker, price, carriage, leadDays },
});
