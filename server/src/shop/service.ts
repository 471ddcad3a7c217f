import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { changesOfRules, NO_WELDING, type Person, type Shop, type SetUp } from '@aspecta/contract/shop';
import { schoolDefaults, usualMetalwork } from '@aspecta/core/repair';
import { checkLimits } from '@aspecta/core/survey';
import { changeVersioned } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { alreadyThere, notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { note } from '../account/audit.ts';
import { checkPassword, isPassword } from '../account/password.ts';
import { callerFor, insertPerson, personRow, personView } from '../account/service.ts';
import { PersonEntity, ShopEntity, type ShopRow } from './entities.ts';
import { withUsual } from './limits.ts';
import { checkTimeZone } from './timeZone.ts';

export const DEFAULT_RATES = { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };

const NO_RATES = { hour: 0, sheetDm2: 0, weldMetre: 0, coatDm2: 0 };

export class ShopService {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  async needsSetup(): Promise<boolean> {
    return (await this.db.getRepository(ShopEntity).count()) === 0;
  }

  /** The first shop and its owner; only while there is none. */
  async setUp(input: SetUp): Promise<Caller> {
    checkPassword(input.password, [input.name, input.email, input.shop]);
    const runner = this.db.createQueryRunner();
    // Two who set up at once: there is no row yet that could be locked.
    const lock = `setup ${String(this.db.options.database)}`.slice(0, 64);
    try {
      await runner.query('SELECT GET_LOCK(?, 30)', [lock]);
      if (!(await this.needsSetup()))
        throw alreadyThere('shop', 'There is a shop already; sign in, or ask its owner for an account.');
      return await this.createShop(input);
    } finally {
      await runner.query('SELECT RELEASE_LOCK(?)', [lock]).catch(() => undefined);
      await runner.release();
    }
  }

  async createShop({
    unit = 'mm',
    currency = 'EUR',
    taxRate = 0.2,
    hour = DEFAULT_RATES.hour,
    timeZone = null,
    ...input
  }: Pick<SetUp, 'shop' | 'name' | 'email' | 'password'> & Partial<SetUp>): Promise<Caller> {
    if (timeZone) checkTimeZone(timeZone);
    const shop: ShopRow = {
      id: randomUUID(),
      name: input.shop,
      currency,
      unit,
      taxRate,
      rates: { ...DEFAULT_RATES, hour },
      overlay: false,
      paints: false,
      schools: schoolDefaults,
      temperature: 20,
      coatingUnit: unit === 'in' ? 'mil' : 'um',
      heatUnit: unit === 'in' ? 'F' : 'C',
      timeZone,
      version: 1,
    };
    const person = await personRow(shop.id, { ...input, role: 'owner' });
    await this.db.transaction(async (manager) => {
      await manager.insert(ShopEntity, shop);
      await insertPerson(manager, person);
      await note(manager, person, `Shop “${shop.name}” set up`);
    });
    return callerFor(person);
  }

  async signIn(email: string, password: string): Promise<Caller> {
    const person = await this.db.getRepository(PersonEntity).findOneBy({ email: email.toLowerCase() });
    const right = await isPassword(person?.passwordHash, password);
    if (!person || !right)
      throw new ServerProblem(
        'wrong-credentials',
        'E-mail or password is wrong; check both and try again.',
        'password',
      );
    return callerFor(person);
  }

  /** The owner of the demo shop, for the one-click sign-in. */
  async demoOwner(): Promise<Caller> {
    const person = await this.db.getRepository(PersonEntity).findOne({
      where: { role: 'owner' },
      order: { createdAt: 'ASC' },
    });
    if (!person) throw notFound('demo');
    return callerFor(person);
  }

  async shop(caller: Caller): Promise<Shop> {
    const row = await this.db.getRepository(ShopEntity).findOneBy({ id: caller.shopId });
    if (!row) throw notFound('shop');
    const { pacesSince: _pacesSince, spreadSince: _spreadSince, systems: _systems, ...shop } = row;
    const view = {
      ...shop,
      overlay: Boolean(shop.overlay),
      paints: Boolean(shop.paints),
      schools: shop.schools ?? schoolDefaults,
      limits: withUsual(shop.limits),
      welding: { ...NO_WELDING, ...shop.welding },
      metalwork: { ...usualMetalwork, ...shop.metalwork },
    };
    // What an hour costs is between the shop and itself.
    return caller.role === 'customer' ? { ...view, rates: NO_RATES, taxRate: 0, changed: null } : view;
  }

  async person(caller: Caller): Promise<Person> {
    const person = await this.db.getRepository(PersonEntity).findOneBy({ id: caller.personId, shopId: caller.shopId });
    if (!person) throw new ServerProblem('not-signed-in', 'This account no longer exists; ask the owner of the shop.');
    return personView(person);
  }

  async changeShop(caller: Caller, { version, ...changes }: Omit<Shop, 'id'>): Promise<Shop> {
    needs('owner', caller);
    if (changes.timeZone) checkTimeZone(changes.timeZone);
    checkLimits(changes.limits);
    const before = await this.shop(caller);
    const what = changesOfRules(before, { ...before, ...changes });
    const now = { by: caller.name, at: new Date().toISOString() };
    const changed = { ...before.changed, ...Object.fromEntries(what.map(({ rule }) => [rule, now])) };
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await changeVersioned(manager, {
        target: ShopEntity,
        id: caller.shopId,
        seen: version,
        changes: { ...changes, changed },
        current: () => this.shop(caller),
      });
      if (what.length > 0) await note(manager, caller, `House rules: ${what.map(({ text }) => text).join('; ')}`);
    });
    return this.shop(caller);
  }
}
