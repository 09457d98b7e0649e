/** The people of the shop in the database. */
import type { Person } from '@low-quarry/core/contracts/people';
import type { Role } from '@low-quarry/core/model';
import { type EntityManager, IsNull, Not } from 'typeorm';
import { PersonEntity, type PersonRow } from './PersonEntity';

export type NewPerson = {
  readonly id: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly passwordHash: string;
  readonly pinHash: string | null;
};

export type PersonChange = Pick<Person, 'name' | 'roles' | 'active'>;

export class PeopleStore {
  constructor(private readonly manager: EntityManager) {}

  async list(): Promise<readonly Person[]> {
    return (await this.manager.find(PersonEntity, { order: { sign_in_name: 'ASC' } })).map(toPerson);
  }

  /** Who may come in by PIN. */
  async listWithPin(): Promise<readonly Person[]> {
    const where = { active: true, pin_hash: Not(IsNull()) };
    return (await this.manager.find(PersonEntity, { where, order: { sign_in_name: 'ASC' } })).map(toPerson);
  }

  count(): Promise<number> {
    return this.manager.count(PersonEntity);
  }

  async find(id: string): Promise<Person | null> {
    const row = await this.findRow(id);
    return row && toPerson(row);
  }

  /** With hashes, for whoever checks a password or a PIN. */
  findRow(id: string): Promise<PersonRow | null> {
    return this.manager.findOneBy(PersonEntity, { id });
  }

  findRowByName(name: string): Promise<PersonRow | null> {
    return this.manager.findOneBy(PersonEntity, { sign_in_name: signInName(name) });
  }

  /** The row stays locked until the transaction ends: tries at a PIN are counted one after the other. */
  lockRow(id: string): Promise<PersonRow | null> {
    return this.manager.findOne(PersonEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
  }

  async insert({ id, name, roles, passwordHash, pinHash }: NewPerson): Promise<void> {
    await this.manager.insert(PersonEntity, {
      id,
      name,
      sign_in_name: signInName(name),
      roles: [...roles],
      password_hash: passwordHash,
      pin_hash: pinHash,
    });
  }

  /** Changes a person who still has the given version; tells whether it did. */
  async update(id: string, version: number, { name, roles, active }: PersonChange): Promise<boolean> {
    const change = { name, sign_in_name: signInName(name), roles: [...roles], active, version: version + 1 };
    return (await this.manager.update(PersonEntity, { id, version }, change)).affected === 1;
  }

  async setPassword(id: string, passwordHash: string): Promise<void> {
    await this.manager.update(PersonEntity, { id }, { password_hash: passwordHash, pin_failures: 0 });
  }

  async setPin(id: string, pinHash: string | null): Promise<void> {
    await this.manager.update(PersonEntity, { id }, { pin_hash: pinHash, pin_failures: 0 });
  }

  /** @param feedHash null where their calendar has no address any more */
  async setFeed(id: string, feedHash: string | null): Promise<void> {
    await this.manager.update(PersonEntity, { id }, { feed_hash: feedHash, feed_read_at: null });
  }

  /** Whose calendar asks, if they still work here; that it did is noted. */
  async findByFeed(feedHash: string, now: Date): Promise<Person | null> {
    const row = await this.manager.findOneBy(PersonEntity, { feed_hash: feedHash, active: true });
    if (!row) return null;
    await this.manager.update(PersonEntity, { id: row.id }, { feed_read_at: now });
    return toPerson(row);
  }

  async setPinFailures(id: string, failures: number): Promise<void> {
    await this.manager.update(PersonEntity, { id }, { pin_failures: failures });
  }
}

/** As names are compared: without regard to case and to how accents are put together. */
export function signInName(name: string): string {
  return name.trim().replace(/\s+/g, ' ').normalize('NFKC').toLowerCase();
}

export function toPerson({ id, version, name, roles, active, pin_hash }: PersonRow): Person {
  return { id, version, name, roles, active, hasPin: pin_hash !== null };
}
