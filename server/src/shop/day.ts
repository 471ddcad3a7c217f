import { DateTime } from 'luxon';
import type { DataSource, EntityManager } from 'typeorm';
import { ShopEntity } from './entities.ts';

/** The day on the calendar of a place at a moment, as 2026-05-31; by UTC where nobody has said where the shop is. */
export const dayIn = (timeZone: string | null | undefined, at = new Date()): string =>
  DateTime.fromJSDate(at, { zone: timeZone ?? 'utc' }).toISODate()!;

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

/** 2026-05-31 → 31 May 2026: as a person reads a day, on every paper. */
export const dayInWords = (day: string): string =>
  DateTime.fromISO(day, { zone: 'utc' }).toFormat('d MMM yyyy', { locale: 'en-GB' });
