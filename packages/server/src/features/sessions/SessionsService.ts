/**
 * Signing in by password, changing person by PIN, and resuming a session with each request.
 *
 * A session's token is changed every quarter of an hour. The one before stays good until the new one is first used: on a
 * bad network the answer that carried it may never have arrived. A PIN is enough only at a device at which somebody signed
 * in by password, and five wrong ones in a row, wherever they were tried, end that person's PIN until they type their password.
 */
import { MOST_PIN_TRIES, type SessionState } from '@low-quarry/core/contracts/sessions';
import { PASSWORD_COUNTS_MS } from '@low-quarry/core/model';
import type { DataSource, EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { AppError, refused } from '../../http/AppError';
import { PeopleStore, signInName, toPerson } from '../people/PeopleStore';
import type { PersonRow } from '../people/PersonEntity';
import { requireOwnPassword } from '../people/requireOwnPassword';
import { hashSecret, hashToken, isSecret, newToken } from '../people/secrets';
import { SettingsStore } from '../settings/SettingsStore';
import type { DeviceRow } from './DeviceEntity';
import type { Guesses, GuessKey } from './Guesses';
import { type OpenSession, SessionsStore } from './SessionsStore';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
export const SESSION_LIMITS = {
  /** Untouched for a night, a session is over. */
  idleMs: 12 * HOUR_MS,
  /** After so long the password is asked for again, however busy the session was. */
  absoluteMs: 7 * 24 * HOUR_MS,
  rotateMs: 15 * MINUTE_MS,
  /** Requests that were sent side by side with the old token. */
  graceMs: MINUTE_MS,
  /** How long after a password the PIN is enough at a device. */
  deviceMs: 7 * 24 * HOUR_MS,
  /** When a session was last used is written down to this. */
  seenMs: MINUTE_MS,
} as const;

const NEW_DEVICE = 'a device without a name';

export type Resumed = { readonly actor: Actor; readonly newToken: string | null };
/** Tokens for the cookies of somebody who has just come in. */
export type CameIn = { readonly actor: Actor; readonly sessionToken: string; readonly deviceToken: string };

/** From where somebody tries to come in. */
export type At = { readonly deviceToken: string | null; readonly address: string };

export class SessionsService {
  constructor(
    private readonly db: DataSource,
    private readonly now: () => Date,
    private readonly newId: () => string,
    private readonly guesses: Guesses,
  ) {}

  /** Who has this token, null when it is nobody's any more. */
  async resume(token: string): Promise<Resumed | null> {
    const store = new SessionsStore(this.db.manager);
    const tokenHash = hashToken(token);
    const session = await store.findByToken(tokenHash);
    if (!session) return null;
    const now = this.now().getTime();
    if (isOver(session, now)) {
      await store.end(session.id);
      return null;
    }
    return { actor: this.toActor(session), newToken: await this.refresh(store, session, tokenHash, now) };
  }

  /** Which of these sessions are still good; asking does not keep them so. */
  async listOpen(ids: readonly string[]): Promise<ReadonlySet<string>> {
    const now = this.now().getTime();
    const sessions = await new SessionsStore(this.db.manager).list(ids);
    return new Set(sessions.filter((session) => !isOver(session, now)).map(({ id }) => id));
  }

  private async refresh(
    store: SessionsStore,
    session: OpenSession,
    tokenHash: string,
    now: number,
  ): Promise<string | null> {
    const age = now - session.rotated_at.getTime();
    const isFormer = session.token_hash !== tokenHash;
    const isDue = isFormer ? age > SESSION_LIMITS.graceMs : age > SESSION_LIMITS.rotateMs;
    if (isDue) {
      const token = newToken();
      // With the former one the new one never arrived: it is replaced by another.
      const rotated = await store.rotate(session.id, session.token_hash, hashToken(token), new Date(now), tokenHash);
      return rotated ? token : null;
    }
    if (!isFormer && session.former_hash !== null && age > SESSION_LIMITS.graceMs) await store.forgetFormer(session.id);
    if (now - session.seen_at.getTime() > SESSION_LIMITS.seenMs) await store.setSeen(session.id, new Date(now));
    return null;
  }

  async state(actor: Actor | null, deviceToken: string | null): Promise<SessionState> {
    const { manager } = this.db;
    const shop = await new SettingsStore(manager).findWithKind();
    if (!shop) return { kind: 'firstStart' };
    const people = new PeopleStore(manager);
    const device = deviceToken ? await new SessionsStore(manager).findDevice(hashToken(deviceToken)) : null;
    const byPin = this.isOpen(device) ? (await people.listWithPin()).map(({ id, name }) => ({ id, name })) : [];
    if (!actor) return { kind: 'signedOut', shopName: shop.settings.name, byPin, demo: null };
    const me = await people.find(actor.personId);
    return {
      kind: 'signedIn',
      shopName: shop.settings.name,
      me: { id: actor.personId, name: actor.name, roles: [...actor.roles], hasPin: me?.hasPin ?? false },
      deviceName: actor.deviceName,
      byPin: byPin.filter(({ id }) => id !== actor.personId),
      isDemo: shop.isDemo,
    };
  }

  async signIn(name: string, password: string, at: At): Promise<CameIn> {
    const device = await this.findDevice(at.deviceToken);
    const row = await this.guesses.guarded(guessKeys(device, at, signInName(name)), async () => {
      const found = await new PeopleStore(this.db.manager).findRowByName(name);
      const right = await isSecret(found?.password_hash ?? null, password);
      return found && right && found.active ? found : null;
    });
    if (!row) throw notLetIn('Name and password do not belong together.');
    return this.db.transaction(async (manager) => {
      await new PeopleStore(manager).setPinFailures(row.id, 0);
      return this.open(manager, row, at.deviceToken, 'password');
    });
  }

  async signInByPin(personId: string, pin: string, at: At): Promise<CameIn> {
    const device = await this.findDevice(at.deviceToken);
    if (!this.isOpen(device))
      throw notLetIn('A PIN is not enough at this device. Sign in with name and password first.');
    let left = 0;
    const person = await this.guesses.guarded(guessKeys(device, at, personId), async () => {
      const tried = await this.db.transaction((manager) => this.tryPin(manager, personId, pin));
      if (typeof tried !== 'number') return tried;
      left = tried;
      return null;
    });
    if (!person) {
      throw notLetIn(
        left > 0
          ? `That is not the PIN. ${left} more ${left === 1 ? 'try' : 'tries'}, then the password is asked for.`
          : 'There were too many wrong PINs. Sign in with name and password; the PIN works again after that.',
      );
    }
    return this.db.transaction((manager) => this.open(manager, person, at.deviceToken, 'pin'));
  }

  /** The person, or how many tries are left. The count is kept although the try fails. */
  private async tryPin(manager: EntityManager, personId: string, pin: string): Promise<PersonRow | number> {
    const people = new PeopleStore(manager);
    const row = await people.lockRow(personId);
    if (!row?.active || row.pin_hash === null || row.pin_failures >= MOST_PIN_TRIES) {
      await isSecret(null, pin);
      return 0;
    }
    if (await isSecret(row.pin_hash, pin)) {
      if (row.pin_failures > 0) await people.setPinFailures(row.id, 0);
      return row;
    }
    await people.setPinFailures(row.id, row.pin_failures + 1);
    return MOST_PIN_TRIES - row.pin_failures - 1;
  }

  async signOut(actor: Actor): Promise<void> {
    await new SessionsStore(this.db.manager).end(actor.sessionId);
  }

  signOutEverywhere(personId: string): Promise<number> {
    return this.db.transaction((manager) => new SessionsStore(manager).endAllOf(personId));
  }

  /** The password again, for what asks for it. */
  async confirmPassword(actor: Actor, password: string): Promise<Date> {
    await this.requirePassword(actor, password);
    const now = this.now();
    await new SessionsStore(this.db.manager).setPasswordAt(actor.sessionId, now);
    return new Date(now.getTime() + PASSWORD_COUNTS_MS);
  }

  async setPin(actor: Actor, password: string, pin: string | null): Promise<void> {
    const { personId } = actor;
    await this.requirePassword(actor, password);
    await new PeopleStore(this.db.manager).setPin(personId, pin === null ? null : await hashSecret(pin));
  }

  /** Ends every session of the person but this one, and the leave that the old password gave to other devices. */
  async setPassword(actor: Actor, password: string, next: string): Promise<number> {
    const { personId, sessionId, deviceId } = actor;
    const row = await this.requirePassword(actor, password);
    requireOwnPassword(row.name, next, 'newPassword');
    const passwordHash = await hashSecret(next);
    return this.db.transaction(async (manager) => {
      await new PeopleStore(manager).setPassword(personId, passwordHash);
      return new SessionsStore(manager).endOthersOf(personId, { sessionId, deviceId });
    });
  }

  async nameDevice({ deviceId }: Actor, name: string): Promise<void> {
    await new SessionsStore(this.db.manager).nameDevice(deviceId, name);
  }

  private async requirePassword({ personId, sessionId }: Actor, password: string): Promise<PersonRow> {
    const found = await this.guesses.guarded([{ by: 'session', id: sessionId }], async () => {
      const row = await new PeopleStore(this.db.manager).findRow(personId);
      return row && (await isSecret(row.password_hash, password)) ? row : null;
    });
    if (found) return found;
    throw refused('That is not the password.', [{ path: 'password', message: 'That is not the password.' }]);
  }

  private async findDevice(token: string | null): Promise<DeviceRow | null> {
    return token ? new SessionsStore(this.db.manager).findDevice(hashToken(token)) : null;
  }

  private isOpen(device: DeviceRow | null): device is DeviceRow {
    return (
      device?.password_at != null && this.now().getTime() - device.password_at.getTime() <= SESSION_LIMITS.deviceMs
    );
  }

  /** Opens a session: a new token, and a new device where it is not known yet. */
  private async open(
    manager: EntityManager,
    person: PersonRow,
    knownDevice: string | null,
    by: 'password' | 'pin',
  ): Promise<CameIn> {
    const store = new SessionsStore(manager);
    const now = this.now();
    const known = knownDevice ? await store.findDevice(hashToken(knownDevice)) : null;
    const deviceToken = known && knownDevice ? knownDevice : newToken();
    const deviceId = known?.id ?? this.newId();
    const deviceName = known?.name ?? NEW_DEVICE;
    if (!known) await store.insertDevice({ id: deviceId, token_hash: hashToken(deviceToken), name: deviceName });
    if (by === 'password') await store.openDevice(deviceId, person.id, now);
    const [sessionId, sessionToken] = [this.newId(), newToken()];
    await store.insert({
      id: sessionId,
      token_hash: hashToken(sessionToken),
      person_id: person.id,
      device_id: deviceId,
      created_at: now,
      rotated_at: now,
      seen_at: now,
      password_at: by === 'password' ? now : null,
    });
    const { name, roles } = toPerson(person);
    const actor = {
      personId: person.id,
      name,
      roles,
      sessionId,
      deviceId,
      deviceName,
      gavePassword: by === 'password',
    };
    return { actor, sessionToken, deviceToken };
  }

  private toActor({ id, person, device, password_at }: OpenSession): Actor {
    return {
      personId: person.id,
      name: person.name,
      roles: toPerson(person).roles,
      sessionId: id,
      deviceId: device.id,
      deviceName: device.name,
      gavePassword: password_at !== null && this.now().getTime() - password_at.getTime() <= PASSWORD_COUNTS_MS,
    };
  }
}

/** A device of the shop is counted by itself; of any other, the account and where it comes from. */
function guessKeys(device: DeviceRow | null, { address }: At, account: string): readonly GuessKey[] {
  if (device) return [{ by: 'device', id: device.id }];
  return [
    { by: 'account', id: account },
    { by: 'address', id: address },
  ];
}

function isOver({ seen_at, created_at, person }: OpenSession, now: number): boolean {
  return (
    now - seen_at.getTime() > SESSION_LIMITS.idleMs ||
    now - created_at.getTime() > SESSION_LIMITS.absoluteMs ||
    !person.active
  );
}

function notLetIn(detail: string): AppError {
  return new AppError(401, 'not-let-in', 'Not signed in', detail);
}
