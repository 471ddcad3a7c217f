import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { FeedView, NewFeed } from '@aspecta/contract/plan';
import { notFound } from '../http/problems.ts';
import { hashOf } from '../http/secret.ts';
import type { Caller } from '../http/session.ts';
import { shopCalendar } from '../plan/calendarFile.ts';
import type { AllCarsService } from '../plan/allCars.ts';
import { PersonEntity, ShopEntity } from '../shop/entities.ts';
import { FeedEntity } from './entities.ts';

/** ms for which a plan that a calendar has asked for is given out again: phones ask often, and a plan takes its time. */
const KEPT = 10 * 60_000;

/** The plan of all cars in a person's own calendar, by an address that nobody can guess and that he can end. */
export class FeedService {
  private readonly db: DataSource;
  private readonly allCars: AllCarsService;
  private readonly kept = new Map<string, { until: number; file: Promise<string> }>();

  constructor(db: DataSource, allCars: AllCarsService) {
    this.db = db;
    this.allCars = allCars;
  }

  async view({ personId }: Caller): Promise<FeedView> {
    const row = await this.db.getRepository(FeedEntity).findOneBy({ personId });
    return { since: row?.createdAt.toISOString() ?? null };
  }

  /** A new address in place of the one before; it is shown once. */
  async open(caller: Caller): Promise<NewFeed> {
    const token = randomBytes(24).toString('base64url');
    await this.db
      .getRepository(FeedEntity)
      .upsert({ personId: caller.personId, tokenHash: hashOf(token), createdAt: new Date() }, ['personId']);
    this.kept.delete(caller.personId);
    return { ...(await this.view(caller)), token };
  }

  async end(caller: Caller): Promise<FeedView> {
    await this.db.getRepository(FeedEntity).delete({ personId: caller.personId });
    this.kept.delete(caller.personId);
    return this.view(caller);
  }

  /** What a calendar reads. An address that was guessed or ended does not exist, nor one of somebody who has gone. */
  async file(token: string): Promise<string> {
    const row = await this.db.getRepository(FeedEntity).findOneBy({ tokenHash: hashOf(token) });
    const person = row && (await this.db.getRepository(PersonEntity).findOneBy({ id: row.personId }));
    if (!person || person.role === 'customer') throw notFound('calendar');
    const now = Date.now();
    const known = this.kept.get(person.id);
    if (known && known.until > now) return known.file;
    const file = this.made({ personId: person.id, shopId: person.shopId, name: person.name, role: person.role });
    this.kept.set(person.id, { until: now + KEPT, file });
    file.catch(() => this.kept.delete(person.id));
    return file;
  }

  private async made(caller: Caller): Promise<string> {
    const [{ steps }, shop] = await Promise.all([
      this.allCars.tonight(caller),
      this.db.getRepository(ShopEntity).findOneByOrFail({ id: caller.shopId }),
    ]);
    return shopCalendar(shop.name, steps);
  }
}
