/** Sessions and devices in the database; of tokens their hashes only. */
import { type EntityManager, In, Not } from 'typeorm';
import { DeviceEntity, type DeviceRow } from './DeviceEntity';
import { SessionEntity, type SessionRow } from './SessionEntity';

export type OpenSession = Required<SessionRow>;

export class SessionsStore {
  constructor(private readonly manager: EntityManager) {}

  /** With its person and device. */
  async findByToken(tokenHash: string): Promise<OpenSession | null> {
    // There is one at most. To look for one, TypeORM asks twice: first for its id, then for the whole of it.
    const [row] = await this.manager.find(SessionEntity, {
      where: [{ token_hash: tokenHash }, { former_hash: tokenHash }],
      relations: { person: true, device: true },
    });
    return (row as OpenSession | undefined) ?? null;
  }

  async list(ids: readonly string[]): Promise<readonly OpenSession[]> {
    const rows = await this.manager.find(SessionEntity, {
      where: { id: In([...ids]) },
      relations: { person: true, device: true },
    });
    return rows as OpenSession[];
  }

  async insert(session: Omit<SessionRow, 'person' | 'device' | 'former_hash'>): Promise<void> {
    await this.manager.insert(SessionEntity, session);
  }

  async setPasswordAt(id: string, at: Date): Promise<void> {
    await this.manager.update(SessionEntity, { id }, { password_at: at });
  }

  async setSeen(id: string, at: Date): Promise<void> {
    await this.manager.update(SessionEntity, { id }, { seen_at: at });
  }

  /**
   * Gives the session a new token unless another request was quicker; tells whether it did.
   *
   * @param presented the token that the client has, which stays good until it uses the new one
   */
  async rotate(id: string, fromHash: string, toHash: string, at: Date, presented: string): Promise<boolean> {
    const change = { token_hash: toHash, former_hash: presented, rotated_at: at, seen_at: at };
    return (await this.manager.update(SessionEntity, { id, token_hash: fromHash }, change)).affected === 1;
  }

  async forgetFormer(id: string): Promise<void> {
    await this.manager.update(SessionEntity, { id }, { former_hash: null });
  }

  async end(id: string): Promise<void> {
    await this.manager.delete(SessionEntity, { id });
  }

  /** Every session of a person, and the leave they gave devices; tells how many sessions that were. */
  async endAllOf(personId: string): Promise<number> {
    await this.manager.update(DeviceEntity, { password_by: personId }, { password_at: null, password_by: null });
    return (await this.manager.delete(SessionEntity, { person_id: personId })).affected ?? 0;
  }

  /** Every session of a person but one, and the leave they gave other devices; tells how many sessions that were. */
  async endOthersOf(
    personId: string,
    { sessionId, deviceId }: { readonly sessionId: string; readonly deviceId: string },
  ): Promise<number> {
    await this.manager.update(
      DeviceEntity,
      { password_by: personId, id: Not(deviceId) },
      { password_at: null, password_by: null },
    );
    return (await this.manager.delete(SessionEntity, { person_id: personId, id: Not(sessionId) })).affected ?? 0;
  }

  /** For each person with a session, how many and when they were last seen. */
  listSeen(): Promise<{ personId: string; sessions: number; lastSeenAt: Date }[]> {
    return this.manager
      .createQueryBuilder(SessionEntity, 'session')
      .select('session.person_id', 'personId')
      .addSelect('count(*)::int', 'sessions')
      .addSelect('max(session.seen_at)', 'lastSeenAt')
      .groupBy('session.person_id')
      .getRawMany();
  }

  /** Takes away what nobody can use any more. */
  async prune(seenBefore: Date, madeBefore: Date): Promise<void> {
    await this.manager
      .createQueryBuilder()
      .delete()
      .from(SessionEntity)
      .where('seen_at < :seenBefore OR created_at < :madeBefore', { seenBefore, madeBefore })
      .execute();
  }

  findDevice(tokenHash: string): Promise<DeviceRow | null> {
    return this.manager.findOneBy(DeviceEntity, { token_hash: tokenHash });
  }

  async insertDevice(device: Pick<DeviceRow, 'id' | 'token_hash' | 'name'>): Promise<void> {
    await this.manager.insert(DeviceEntity, device);
  }

  async openDevice(id: string, personId: string, at: Date): Promise<void> {
    await this.manager.update(DeviceEntity, { id }, { password_at: at, password_by: personId });
  }

  async nameDevice(id: string, name: string): Promise<void> {
    await this.manager.update(DeviceEntity, { id }, { name });
  }
}
