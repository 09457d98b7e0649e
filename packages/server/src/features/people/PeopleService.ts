/** The owner's care for the people of the shop. A shop always keeps an owner who can sign in. */
import type { createPerson, Person, PersonInList, putPerson } from '@low-quarry/core/contracts/people';
import type { PersonState } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { notFound, refused, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import { SessionsStore } from '../sessions/SessionsStore';
import { PeopleStore } from './PeopleStore';
import { requireOwnPassword } from './requireOwnPassword';
import { hashSecret } from './secrets';

export class PeopleService {
  private readonly people: PeopleStore;
  private readonly sessions: SessionsStore;

  constructor(
    manager: EntityManager,
    private readonly history: History,
  ) {
    this.people = new PeopleStore(manager);
    this.sessions = new SessionsStore(manager);
  }

  async list(): Promise<PersonInList[]> {
    const seen = new Map((await this.sessions.listSeen()).map((each) => [each.personId, each]));
    return (await this.people.list()).map((person) => {
      const { sessions = 0, lastSeenAt = null } = seen.get(person.id) ?? {};
      return { ...person, sessions, lastSeenAt: lastSeenAt?.toISOString() ?? null };
    });
  }

  async create({ name, roles, password }: z.output<typeof createPerson.body>, id: string): Promise<Person> {
    await this.requireFreeName(name, null);
    requireOwnPassword(name, password);
    await this.people.insert({ id, name, roles, passwordHash: await hashSecret(password), pinHash: null });
    const person = await this.get(id);
    await this.note('created', null, person);
    return person;
  }

  async change(id: string, { version, ...change }: z.output<typeof putPerson.body>): Promise<Person> {
    const before = await this.get(id);
    if (before.version !== version) throw versionConflict('this person', before);
    await this.requireFreeName(change.name, id);
    if (!change.active || !change.roles.includes('owner')) await this.requireOtherOwner(id);
    if (!(await this.people.update(id, version, change))) throw versionConflict('this person', await this.get(id));
    if (!change.active) await this.sessions.endAllOf(id);
    const after = await this.get(id);
    await this.note('changed', before, after);
    return after;
  }

  async resetPassword(id: string, newPassword: string): Promise<number> {
    const { name } = await this.get(id);
    requireOwnPassword(name, newPassword, 'newPassword');
    await this.people.setPassword(id, await hashSecret(newPassword));
    return this.sessions.endAllOf(id);
  }

  async get(id: string): Promise<Person> {
    const person = await this.people.find(id);
    if (!person) throw notFound('person');
    return person;
  }

  private note(action: 'created' | 'changed', before: Person | null, after: Person): Promise<number> {
    return this.history.note({
      kind: 'person',
      recordId: after.id,
      jobId: null,
      label: after.name,
      action,
      version: after.version,
      before: before && stateOf(before),
      after: stateOf(after),
    });
  }

  private async requireFreeName(name: string, except: string | null): Promise<void> {
    const other = await this.people.findRowByName(name);
    if (!other || other.id === except) return;
    const message = `There is a "${other.name}" already; names are how people sign in.`;
    throw refused(message, [{ path: 'name', message }]);
  }

  private async requireOtherOwner(id: string): Promise<void> {
    const others = (await this.people.list()).filter((each) => each.active && each.id !== id);
    if (others.some(({ roles }) => roles.includes('owner'))) return;
    const message = 'A shop needs an owner who can sign in; make somebody else an owner first.';
    throw refused(message, [{ path: 'roles', message }]);
  }
}

function stateOf({ name, roles, active }: Person): PersonState {
  return { name, roles, active };
}
