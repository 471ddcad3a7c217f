import type { Request } from 'express';
import { RateLimiterMySQL, RateLimiterRes, type RateLimiterAbstract } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import { ServerProblem } from '../http/problems.ts';

const QUARTER_HOUR = 15 * 60;
const DAY = 86_400;
/** How many times as many tries an address has for all accounts together. */
const ADDRESS_FACTOR = 5;

/**
 * Slows guessing down, in the database, so that it counts over all server processes. Tries
 * count by account and address; by address alone they count only for accounts that nobody has
 * entered from there of late: whoever sits behind the same router and knows his password gets in.
 */
export class Throttle {
  private readonly pair: RateLimiterAbstract;
  private readonly address: RateLimiterAbstract;
  private readonly known: RateLimiterAbstract;

  constructor(db: DataSource, triesPerQuarterHour: number) {
    const storeClient: unknown = (db.driver as unknown as { pool: unknown }).pool;
    const limiter = (keyPrefix: string, points: number, duration: number) =>
      new RateLimiterMySQL({
        storeClient,
        dbName: String(db.options.database),
        tableName: 'throttle',
        tableCreated: true,
        clearExpiredByTimeout: false,
        keyPrefix,
        points,
        duration,
      });
    this.pair = limiter('pair', triesPerQuarterHour, QUARTER_HOUR);
    this.address = limiter('address', triesPerQuarterHour * ADDRESS_FACTOR, QUARTER_HOUR);
    this.known = limiter('known', 1_000_000, 30 * DAY);
  }

  /**
   * Lets one try at an account through, and counts it until it turns out to be right.
   * @returns to be called when it was right
   * @throws ServerProblem `too-many-tries`
   */
  async pass(request: Request, account: string): Promise<() => Promise<void>> {
    const address = networkOf(request.ip ?? '');
    // Keys have a limited length in the table; an account is only told apart by it.
    const key = `${account.slice(0, 120)} ${address}`;
    await consume(this.pair, key);
    const isKnown = (await this.known.get(key)) !== null;
    if (!isKnown) await consume(this.address, address);
    return async () => {
      await this.pair.delete(key);
      await this.known.set(key, 1, 30 * DAY);
      if (!isKnown) await this.address.reward(address, 1);
    };
  }
}

async function consume(limiter: RateLimiterAbstract, key: string): Promise<void> {
  try {
    await limiter.consume(key);
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused;
    const minutes = Math.max(1, Math.ceil(refused.msBeforeNext / 60_000));
    throw new ServerProblem(
      'too-many-tries',
      `Too many tries; wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`} and try again.`,
      'password',
    );
  }
}

/** Of an IPv6 address the part that one household has: it may use any of the others within it. */
const networkOf = (ip: string): string =>
  ip.includes(':') && !ip.includes('.') ? ip.split(':').slice(0, 4).join(':') : ip;
