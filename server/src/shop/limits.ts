import type { DataSource, EntityManager } from 'typeorm';
import { usualLimits, type Limits } from '@aspecta/core/survey';
import { ShopEntity } from './entities.ts';

/** What is stored, with what is usual for limits that there were not when it was. */
export const withUsual = (stored: Partial<Limits> | null | undefined): Limits => ({ ...usualLimits, ...stored });

/** By which limits a shop judges metal. */
export async function limitsOf(db: DataSource | EntityManager, shopId: string): Promise<Limits> {
  const shop = await db
    .getRepository(ShopEntity)
    .findOne({ where: { id: shopId }, select: { id: true, limits: true } });
  return withUsual(shop?.limits);
}
