import { randomUUID } from 'node:crypto';
import { In, IsNull, Not, type DataSource } from 'typeorm';
import type { Offer, OfferElsewhere, OfferInput } from '@aspecta/contract/verdict';
import { boughtSheet, layerOf, panelOf } from '@aspecta/core/body';
import { landed } from '@aspecta/core/order';
import { changeOf } from '../db/changeOf.ts';
import { VehicleEntity } from '../garage/entities.ts';
import type { OwnVehicle } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import { OrderEntity } from '../order/entities.ts';
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
    const panel = panelOf(vehicle.plan, input.panel);
    const layer = boughtSheet(panel, input.layer ? [layerOf(panel, input.layer).id] : []);
    const { currency } = await this.shops.shop(caller);
    return changeOf(this.db, vehicle.id, async (manager) => {
      const known = await manager.findOneBy(OfferEntity, { id });
      if (known && known.vehicleId !== vehicle.id) throw notFound('price');
      if (known) return viewOf(known);
      const row: OfferRow = {
        ...input,
        layer,
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
    const others = await this.db.getRepository(VehicleEntity).findBy({
      shopId: caller.shopId,
      planId: vehicle.planId,
      id: Not(vehicle.id),
      deletedAt: IsNull(),
    });
    if (others.length === 0) return [];
    const rows = await this.db.getRepository(OfferEntity).findBy({ vehicleId: In(others.map(({ id }) => id)), panel });
    return rows.map((row) => ({
      ...viewOf(row),
      vehicle: others.find(({ id }) => id === row.vehicleId)!.nickname,
    }));
  }

  /** The offer for the sheet on which this work is with the least landed price, as a parcel of its own, of a maker whose part did not turn out wrong where there is one; and how many are left out because of their currency. */
  async best(
    caller: Caller,
    vehicle: OwnVehicle,
    { panel: panelId, layers }: { panel: string; layers: readonly string[] },
  ): Promise<{ offer: (Offer & { landed: number }) | null; foreign: number }> {
    const [rows, shop, unfit] = await Promise.all([
      this.db.getRepository(OfferEntity).findBy({
        vehicleId: vehicle.id,
        panel: panelId,
        layer: boughtSheet(panelOf(vehicle.plan, panelId), layers) ?? IsNull(),
      }),
      this.shops.shop(caller),
      // What came from these makers for this panel did not serve.
      this.db
        .getRepository(OrderEntity)
        .findBy({ vehicleId: vehicle.id, panel: panelId, state: In(['kept', 'returned']) }),
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
    const others = priced.filter(({ maker }) => !unfit.some((order) => order.maker === maker));
    const open = others.length > 0 ? others : priced;
    const offer = open.length === 0 ? null : open.reduce((a, b) => (b.landed < a.landed ? b : a));
    return { offer, foreign: rows.length - priced.length };
  }
}

const viewOf = ({ id, panel, layer, currency, maker, price, carriage, leadDays }: OfferRow): Offer => ({
  ...{ id, panel, layer, currency, maker, price, carriage, leadDays },
});
