import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { DataSource } from 'typeorm';
import type { Person, Role, Shop } from '@aspecta/contract/shop';
import { changeVersioned } from '../db/change.ts';
import { alreadyThere, notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { PersonEntity, ShopEntity, type PersonRow, type ShopRow } from './entities.ts';

/** argon2id with the parameters that OWASP's password storage sheet lists first (memory: 19 MiB, 2 passes, 1 lane). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** A hash to compare with where there is no such person, so that both answers take as long. */
const NOBODY = hash('nobody has this password', ARGON);

export const DEFAULT_RATES = { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };

export class ShopService {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  async needsSetup(): Promise<boolean> {
    return (await this.db.manager.count(ShopEntity)) === 0;
  }

  /** The first shop and its owner; only while there is none. */
  async setUp(input: { shop: string; name: string; email: string; password: string }): Promise<Caller> {
    if (!(await this.needsSetup()))
      throw alreadyThere('shop', 'There is a shop already; sign in, or ask its owner for an account.');
    return this.createShop(input);
  }

  async createShop(input: { shop: string; name: string; email: string; password: string }): Promise<Caller> {
    const shop: ShopRow = {
      id: randomUUID(),
      name: input.shop,
      currency: 'EUR',
      unit: 'mm',
      taxRate: 0.2,
      rates: DEFAULT_RATES,
      overlay: false,
      version: 1,
    };
    const person = await this.personRow(shop.id, { ...input, role: 'owner' });
    await this.db.transaction(async (manager) => {
      await manager.insert(ShopEntity, shop);
      await manager.insert(PersonEntity, person);
    });
    return callerFor(person);
  }

  async signIn(email: string, password: string): Promise<Caller> {
    const person = await this.db.manager.findOneBy(PersonEntity, { email: email.toLowerCase() });
    const right = await verify(person?.passwordHash ?? (await NOBODY), password);
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
    const person = await this.db.manager.findOne(PersonEntity, {
      where: { role: 'owner' },
      order: { createdAt: 'ASC' },
    });
    if (!person) throw notFound('demo');
    return callerFor(person);
  }

  async shop(caller: Caller): Promise<Shop> {
    const shop = await this.db.manager.findOneBy(ShopEntity, { id: caller.shopId });
    if (!shop) throw notFound('shop');
    return { ...shop, overlay: Boolean(shop.overlay) };
  }

  async person(caller: Caller): Promise<Person> {
    const person = await this.db.manager.findOneBy(PersonEntity, { id: caller.personId, shopId: caller.shopId });
    if (!person) throw new ServerProblem('not-signed-in', 'This account no longer exists; ask the owner of the shop.');
    return viewOf(person);
  }

  async changeShop(caller: Caller, { version, ...changes }: Omit<Shop, 'id'>): Promise<Shop> {
    needs('owner', caller);
    await changeVersioned(this.db.manager, ShopEntity, caller.shopId, version, changes, () => this.shop(caller));
    return this.shop(caller);
  }

  async people(caller: Caller): Promise<Person[]> {
    return (
      await this.db.manager.find(PersonEntity, { where: { shopId: caller.shopId }, order: { createdAt: 'ASC' } })
    ).map(viewOf);
  }

  async addPerson(
    caller: Caller,
    input: { name: string; email: string; password: string; role: Role },
  ): Promise<Person> {
    needs('owner', caller);
    if (await this.db.manager.existsBy(PersonEntity, { email: input.email.toLowerCase() }))
      throw alreadyThere('email', 'There is an account with this e-mail already; use another one.');
    const person = await this.personRow(caller.shopId, input);
    await this.db.manager.insert(PersonEntity, person);
    return viewOf(person);
  }

  async changeRole(caller: Caller, id: string, role: Role): Promise<Person[]> {
    needs('owner', caller);
    const owners = await this.db.manager.findBy(PersonEntity, { shopId: caller.shopId, role: 'owner' });
    if (role !== 'owner' && owners.length === 1 && owners[0]!.id === id)
      throw new ServerProblem('invalid', 'A shop needs an owner; make somebody else owner first.', 'role');
    const result = await this.db.manager.update(PersonEntity, { id, shopId: caller.shopId }, { role });
    if (result.affected !== 1) throw notFound('person');
    // A session carries the role it began with: end those of this person.
    await this.db.query('DELETE FROM session WHERE data LIKE ?', [`%"personId":"${id}"%`]);
    return this.people(caller);
  }

  private async personRow(
    shopId: string,
    input: { name: string; email: string; password: string; role: Role },
  ): Promise<PersonRow> {
    return {
      id: randomUUID(),
      shopId,
      name: input.name,
      email: input.email.toLowerCase(),
      passwordHash: await hash(input.password, ARGON),
      role: input.role,
      createdAt: new Date(),
    };
  }
}

const viewOf = ({ id, name, email, role }: PersonRow): Person => ({ id, name, email, role });
const callerFor = (person: PersonRow): Caller => ({
  personId: person.id,
  shopId: person.shopId,
  name: person.name,
  role: person.role,
});
