import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { Offer } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { landed } from '@aspecta/core/order';
import type { PlanService } from '../body/plans.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { OfferEntity } from './entities.ts';

/** Prices at which the shop can buy panels of a body plan. */
export class OfferService {
  private readonly db: DataSource;
  private readonly shops: ShopService;
  private readonly plans: PlanService;

  constructor(db: DataSource, shops: ShopService, plans: PlanService) {
    this.db = db;
    this.shops = shops;
    this.plans = plans;
  }

  async add(caller: Caller, planId: string, input: Omit<Offer, 'id'>): Promise<Offer> {
    panelOf(await this.plans.of(caller.shopId, planId), input.panel);
    const offer = { ...input, id: randomUUID() };
    await this.db.manager.insert(OfferEntity, { ...offer, shopId: caller.shopId, planId });
    return offer;
  }

  /** The offer with the least landed price, as a parcel of its own; null where none is known. */
  async best(caller: Caller, planId: string, panel: string): Promise<(Offer & { landed: number }) | null> {
    const [rows, shop] = await Promise.all([
      this.db.manager.findBy(OfferEntity, { shopId: caller.shopId, planId, panel }),
      this.shops.shop(caller),
    ]);
    const priced = rows.map(({ id, maker, price, carriage, leadDays }) => ({
      id,
      panel,
      maker,
      price,
      carriage,
      leadDays,
      landed: landed({ lines: [{ price, quantity: 1 }], carriage, taxRate: shop.taxRate, taxOnCarriage: true }).total,
    }));
    return priced.length === 0 ? null : priced.reduce((a, b) => (b.landed < a.landed ? b : a));
  }
}
