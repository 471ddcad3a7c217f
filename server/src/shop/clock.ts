import type { DataSource, EntityManager } from 'typeorm';
import { dayIn } from './day.ts';
import { ShopEntity } from './entities.ts';

/** By whose clock a shop works; null as long as nobody has said where it is. */
export async function clockOf(db: DataSource | EntityManager, shopId: string): Promise<string | null> {
  const shop = await db
    .getRepository(ShopEntity)
    .findOne({ where: { id: shopId }, select: { id: true, timeZone: true } });
  return shop?.timeZone ?? null;
}

/** Which day is it in this shop? */
export const todayOf = async (db: DataSource | EntityManager, shopId: string, at = new Date()): Promise<string> =>
  dayIn(await clockOf(db, shopId), at);
