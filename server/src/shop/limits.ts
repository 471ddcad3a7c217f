import type { DataSource, EntityManager } from 'typeorm';
import { usualLimits, type Limits } from '@aspecta/core/survey';
import { ShopEntity } from './entities.ts';

/** By which limits a shop judges metal. */
export async function limitsOf(db: DataSource | EntityManager, shopId: string): Promise<Limits> {
  const shop = await db
    .getRepository(ShopEntity)
    .findOne({ where: { id: shopId }, select: { id: true, limits: true } });
  return shop?.limits ?? usualLimits;
}
