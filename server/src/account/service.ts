import { randomBytes, randomUUID } from 'node:crypto';
import { In, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import type {
  AuditLine,
  InvitationView,
  InvitationInput,
  JoinView,
  NewInvitation,
  OpenSession,
} from '@aspecta/contract/account';
import type { Person, Role } from '@aspecta/contract/shop';
import { changeOfShop } from '../db/changeOf.ts';
import { alreadyThere, notFound, ServerProblem } from '../http/problems.ts';
import { hashOf } from '../http/secret.ts';
import { needs, type Caller } from '../http/session.ts';
import { PersonEntity, ShopEntity, type PersonRow } from '../shop/entities.ts';
import type { GarageService } from '../garage/service.ts';
import { note } from './audit.ts';
import { AuditEntity, GuestEntity, InvitationEntity } from './entities.ts';
import { checkPassword, hashPassword, isPassword } from './password.ts';
import { endSession, endSessions, sessionsOf } from './sessions.ts';

const DAY = 86_400_000;
/** Days for which an invitation holds. */
const INVITATION_DAYS = 7;
const MOST_AUDIT_LINES = 500;

/** The people of a shop: invited, changed, removed; their passwords and sessions; what customers may see. */
export class AccountService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async people(caller: Caller): Promise<Person[]> {
    const rows = await this.db.getRepository(PersonEntity).find({
      where: { shopId: caller.shopId },
      order: { createdAt: 'ASC' },
    });
    return rows.map(personView);
  }

  /** Adds a person whose password the owner has chosen. */
  async addPerson(
    caller: Caller,
    input: { name: string; email: string; password: string; role: Role },
  ): Promise<Person> {
    needs('owner', caller);
    checkPassword(input.password, [input.name, input.email]);
    const row = await personRow(caller.shopId, input);
    return changeOfShop(this.db, caller.shopId, async (manager) => {
      await insertPerson(manager, row);
      await note(manager, caller, `${row.name} added as ${row.role}`);
      return personView(row);
    });
  }

  async changeRole(caller: Caller, id: string, role: Role): Promise<Person[]> {
    needs('owner', caller);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      if (role !== 'owner') await keepAnOwner(manager, caller.shopId, id);
      const person = await manager.findOneBy(PersonEntity, { id, shopId: caller.shopId });
      if (!person) throw notFound('person');
      await manager.update(PersonEntity, { id }, { role });
      await note(manager, caller, `${person.name} is now ${role}`);
    });
    // A session carries the role it began with: end those of this person.
    await endSessions(this.db, id);
    return this.people(caller);
  }

  /** Takes a person out of the shop; what he has recorded keeps his name. */
  async remove(caller: Caller, id: string): Promise<void> {
    needs('owner', caller);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await keepAnOwner(manager, caller.shopId, id);
      const person = await manager.findOneBy(PersonEntity, { id, shopId: caller.shopId });
      if (!person) throw notFound('person');
      await manager.delete(PersonEntity, { id });
      await note(manager, caller, `${person.name} removed`);
    });
    await endSessions(this.db, id);
  }

  /** Changes the caller's own password, and ends his other sessions. */
  async changePassword(
    caller: Caller,
    session: string,
    { current, password }: { current: string; password: string },
  ): Promise<void> {
    const person = await this.db.getRepository(PersonEntity).findOneByOrFail({ id: caller.personId });
    if (!(await isPassword(person.passwordHash, current)))
      throw new ServerProblem('invalid', 'This is not your present password; check it and try again.', 'current');
    checkPassword(password, [person.name, person.email]);
    const passwordHash = await hashPassword(password);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.update(PersonEntity, { id: person.id }, { passwordHash });
      await note(manager, caller, 'Own password changed');
    });
    await endSessions(this.db, person.id, session);
  }

  sessions(caller: Caller, current: string): Promise<OpenSession[]> {
    return sessionsOf(this.db, caller.personId, current);
  }

  async endSession(caller: Caller, name: string): Promise<void> {
    if (!(await endSession(this.db, caller.personId, name))) throw notFound('session');
  }

  /** An invitation as a link that is shown once; whoever has it joins in this role. */
  async invite(caller: Caller, { name, role }: InvitationInput): Promise<NewInvitation> {
    needs('owner', caller);
    const token = randomBytes(24).toString('base64url');
    const row = {
      id: randomUUID(),
      shopId: caller.shopId,
      tokenHash: hashOf(token),
      name,
      role,
      by: caller.name,
      createdAt: new Date(),
      expiresAt: new Date(Date.now() + INVITATION_DAYS * DAY),
    };
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.insert(InvitationEntity, row);
      await note(manager, caller, `${name} invited as ${role}`);
    });
    return { ...invitationView(row), token };
  }

  async invitations(caller: Caller): Promise<InvitationView[]> {
    needs('owner', caller);
    const rows = await this.db.getRepository(InvitationEntity).find({
      where: { shopId: caller.shopId, expiresAt: MoreThan(new Date()) },
      order: { createdAt: 'ASC' },
    });
    return rows.map(invitationView);
  }

  async withdrawInvitation(caller: Caller, id: string): Promise<void> {
    needs('owner', caller);
    const { affected } = await this.db.getRepository(InvitationEntity).delete({ id, shopId: caller.shopId });
    if (affected !== 1) throw notFound('invitation');
  }

  /** What somebody is shown who opens the link of an invitation. */
  async invitation(token: string): Promise<JoinView> {
    const row = await this.open(token);
    const shop = await this.db.getRepository(ShopEntity).findOneByOrFail({ id: row.shopId });
    return { shop: shop.name, name: row.name, role: row.role };
  }

  /** Takes an invitation up, once. */
  async join(token: string, input: { name: string; email: string; password: string }): Promise<Caller> {
    const invitation = await this.open(token);
    checkPassword(input.password, [input.name, input.email]);
    const row = await personRow(invitation.shopId, { ...input, role: invitation.role });
    await changeOfShop(this.db, invitation.shopId, async (manager) => {
      const { affected } = await manager.delete(InvitationEntity, { id: invitation.id });
      if (affected !== 1) throw notFound('invitation');
      await insertPerson(manager, row);
      await note(manager, row, `${row.name} joined as ${row.role}`);
    });
    return callerFor(row);
  }

  private async open(token: string) {
    const row = await this.db.getRepository(InvitationEntity).findOneBy({
      tokenHash: hashOf(token),
      expiresAt: MoreThan(new Date()),
    });
    if (!row)
      throw new ServerProblem(
        'not-found',
        'This invitation has been taken up, withdrawn or is too old; ask for a new one.',
      );
    return row;
  }

  /** The customers who may see a vehicle. */
  async guests(caller: Caller, vehicleId: string): Promise<string[]> {
    await this.garage.own(caller, vehicleId);
    return (await this.db.getRepository(GuestEntity).findBy({ vehicleId })).map((row) => row.personId);
  }

  async setGuests(caller: Caller, vehicleId: string, personIds: readonly string[]): Promise<string[]> {
    needs('owner', caller);
    const vehicle = await this.garage.own(caller, vehicleId);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      const people = await manager.findBy(PersonEntity, {
        id: In([...personIds]),
        shopId: caller.shopId,
        role: 'customer',
      });
      if (people.length !== new Set(personIds).size)
        throw new ServerProblem('invalid', 'A car is shown to customers of this shop only; choose those.', 'personIds');
      await manager.delete(GuestEntity, { vehicleId });
      if (people.length > 0)
        await manager.insert(
          GuestEntity,
          people.map(({ id }) => ({ vehicleId, personId: id })),
        );
      const names = people.map(({ name }) => name).join(', ') || 'no customer';
      await note(manager, caller, `${vehicle.nickname} is shown to ${names}`);
    });
    return this.guests(caller, vehicleId);
  }

  /** What happened to accounts and rules, newest first. */
  async audit(caller: Caller): Promise<AuditLine[]> {
    needs('owner', caller);
    const rows = await this.db.getRepository(AuditEntity).find({
      where: { shopId: caller.shopId },
      order: { at: 'DESC' },
      take: MOST_AUDIT_LINES,
    });
    return rows.map(({ at, by, text, address }) => ({ at: at.toISOString(), by, text, address }));
  }
}

async function keepAnOwner(manager: EntityManager, shopId: string, leaving: string): Promise<void> {
  const owners = await manager.findBy(PersonEntity, { shopId, role: 'owner' });
  if (owners.length === 1 && owners[0]!.id === leaving)
    throw new ServerProblem('invalid', 'A shop needs an owner; make somebody else owner first.', 'role');
}

/** @throws ServerProblem `already-there` at `email`, also where another was quicker */
export async function insertPerson(manager: EntityManager, row: PersonRow): Promise<void> {
  try {
    await manager.insert(PersonEntity, row);
  } catch (error) {
    if ((error as { driverError?: { code?: string } }).driverError?.code !== 'ER_DUP_ENTRY') throw error;
    throw alreadyThere('email', 'There is an account with this e-mail already; use another one.');
  }
}

export async function personRow(
  shopId: string,
  input: { name: string; email: string; password: string; role: Role },
): Promise<PersonRow> {
  return {
    id: randomUUID(),
    shopId,
    name: input.name,
    email: input.email.toLowerCase(),
    passwordHash: await hashPassword(input.password),
    role: input.role,
    createdAt: new Date(),
  };
}

export const personView = ({ id, name, email, role }: PersonRow): Person => ({ id, name, email, role });
export const callerFor = (person: PersonRow): Caller => ({
  personId: person.id,
  shopId: person.shopId,
  name: person.name,
  role: person.role,
});
const invitationView = (row: {
  id: string;
  name: string;
  role: Role;
  by: string;
  expiresAt: Date;
}): InvitationView => ({
  id: row.id,
  name: row.name,
  role: row.role,
  by: row.by,
  expiresAt: row.expiresAt.toISOString(),
});
