import { DateTime } from 'luxon';
import type { DataSource } from 'typeorm';
import type { OrderLine } from '@aspecta/contract/order';
import type { PurseInput, PurseView } from '@aspecta/contract/purse';
import { incomeBetween } from '@aspecta/core/plan';
import { note } from '../account/audit.ts';
import { changeVersioned } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { needs, type Caller } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import type { OrderService } from '../order/service.ts';
import { clockOf } from '../shop/clock.ts';
import { dayIn } from '../shop/day.ts';
import { PurseEntity, type PurseRow } from './entities.ts';

const HOUR = 3_600_000;
/** Days of pay that a plan looks ahead. */
const AHEAD = 366;

/** Money as a plan counts it: hours from now, minor units. */
export interface Cash {
  left: number;
  comes: { at: number; amount: number }[];
  /** What each line that is still wanted costs, by its id and by that of its repair. */
  costs: ReadonlyMap<string, number>;
}

/** What money there is for parts, and when more comes in. */
export class PurseService {
  private readonly db: DataSource;
  private readonly orders: OrderService;

  constructor(db: DataSource, orders: OrderService) {
    this.db = db;
    this.orders = orders;
  }

  async view(caller: Caller): Promise<PurseView> {
    needs('worker', caller);
    const row = await this.db.getRepository(PurseEntity).findOneBy({ id: caller.shopId });
    if (!row) return { there: null, comes: [], version: 0, since: null, left: null };
    const { there, comes, version, since } = row;
    const left = there === null ? null : await this.leftOf(caller, row, new Date());
    return { there, comes, version, since: since.toISOString(), left };
  }

  /** Says anew what is there now, and what comes in. */
  async say(caller: Caller, { version, ...said }: PurseInput): Promise<PurseView> {
    needs('owner', caller);
    const today = dayIn(await clockOf(this.db, caller.shopId));
    for (const [i, income] of said.comes.entries())
      inWords(`comes[${i}].first`, () => incomeBetween(income, today, today));
    const lines = await this.orders.list(caller);
    const changes = { ...said, since: new Date(), paid: lines.filter((line) => paidFor(line) > 0).map(({ id }) => id) };
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      if (version === 0 && !(await manager.existsBy(PurseEntity, { id: caller.shopId })))
        await manager.insert(PurseEntity, { id: caller.shopId, ...changes, version: 1 });
      else
        await changeVersioned(manager, {
          target: PurseEntity,
          id: caller.shopId,
          seen: version,
          changes,
          current: () => this.view(caller),
        });
      await note(manager, caller, said.there === null ? 'Plans do not look at money' : 'Money for parts told anew');
    });
    return this.view(caller);
  }

  /** What a plan has to go by; null where it does not look at money. */
  async cash(caller: Caller, now: Date): Promise<Cash | null> {
    const row = await this.db.getRepository(PurseEntity).findOneBy({ id: caller.shopId });
    if (!row || row.there === null) return null;
    const zone = await clockOf(this.db, caller.shopId);
    const today = dayIn(zone, now);
    const [left, lines] = await Promise.all([this.leftOf(caller, row, now), this.orders.list(caller)]);
    const wanted = lines.filter(({ state, unneeded }) => state === 'wanted' && unneeded === null);
    return {
      left,
      comes: row.comes
        .flatMap((income) => incomeBetween(income, dayAfter(today, 1), dayAfter(today, AHEAD)))
        .map(({ on, amount }) => ({
          at: (DateTime.fromISO(on, { zone: zone ?? 'utc' }).toMillis() - now.getTime()) / HOUR,
          amount,
        })),
      costs: new Map(wanted.map(({ id, repairId, landed }) => [repairId ?? id, landed])),
    };
  }

  /** What is there of it now; never less than nothing. */
  private async leftOf(caller: Caller, { there, since, paid, comes }: PurseRow, now: Date): Promise<number> {
    const zone = await clockOf(this.db, caller.shopId);
    const [first, today] = [dayAfter(dayIn(zone, since), 1), dayIn(zone, now)];
    const come = comes
      .flatMap((income) => incomeBetween(income, first, today))
      .reduce((sum, { amount }) => sum + amount, 0);
    const lines = await this.orders.list(caller);
    const gone = lines.filter(({ id }) => !paid.includes(id)).reduce((sum, line) => sum + paidFor(line), 0);
    return Math.max(0, there! + come - gone);
  }
}

/** What was paid for a line, less what came back for it; nothing while it is only wanted. */
function paidFor({ state, landed, credit }: OrderLine): number {
  if (state === 'wanted' || state === 'withdrawn') return 0;
  return Math.max(0, landed - (credit ?? 0));
}

const dayAfter = (day: string, days: number): string =>
  DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate()!;

/** A refusal of the core names its own field: here it is one of several. */
function inWords(field: string, check: () => unknown): void {
  try {
    check();
  } catch (error) {
    throw new ServerProblem('invalid', (error as Error).message, field);
  }
}
