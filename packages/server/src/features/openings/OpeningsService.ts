/** Reads and changes openings. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { OpeningRecord } from '@low-quarry/core/model';
import { MOST_OPENINGS, placeLabel } from '@low-quarry/core/model';
import { notFound, refused, unreadable, versionConflict } from '../../http/AppError';
import type { ChoicesStore } from '../choices/ChoicesStore';
import type { History } from '../history/History';
import type { PartsStore } from '../library/PartsStore';
import type { OpeningsStore, StoredOpening } from './OpeningsStore';

export class OpeningsService {
  constructor(
    private readonly openings: OpeningsStore,
    private readonly choices: ChoicesStore,
    private readonly parts: PartsStore,
  ) {}

  async get(openingId: string): Promise<Opening> {
    const { unreadable: why, ...opening } = await this.found(openingId);
    if (why !== null) throw unreadable('this opening', why);
    const choices = await this.choices.listOfOpenings([openingId]);
    return { ...opening, choice: choices.get(openingId)?.choice ?? null };
  }

  /** Replaces what is known of an opening. Where it is in the vehicle stays: that is its identity. */
  async replace(openingId: string, version: number, record: OpeningRecord, history: History): Promise<Opening> {
    const before = await this.found(openingId);
    if (before.version !== version) throw versionConflict('this opening', await this.get(openingId));
    if (record.place !== before.record.place || record.side !== before.record.side) {
      throw refused('An opening cannot be moved to another place.', [
        { path: 'record.place', message: 'The place of an opening cannot be changed.' },
      ]);
    }
    await this.requireKnownConnector(record);
    if (placeLabel(record) !== placeLabel(before.record)) {
      const there = await this.openings.listOfJobs([before.jobId]);
      this.requireFreePlace(
        record,
        there.filter(({ id }) => id !== openingId),
      );
    }
    // Somebody else may have saved between the reading above and this writing: the condition in the update decides.
    if (!(await this.openings.replace(openingId, version, record)))
      throw versionConflict('this opening', await this.get(openingId));
    const after = await this.get(openingId);
    await history.note({
      kind: 'opening',
      recordId: openingId,
      jobId: after.jobId,
      label: placeLabel(after.record),
      action: 'changed',
      version: after.version,
      before: before.record,
      after: after.record,
    });
    return after;
  }

  /** One more place of the car, after those that are there. */
  async add(jobId: string, openingId: string, record: OpeningRecord, history: History): Promise<Opening> {
    return this.insert(jobId, openingId, record, history, 'created');
  }

  /** Not while something is chosen for it: what is ordered for a place has to be given up first. */
  async remove(openingId: string, version: number, history: History): Promise<{ jobId: string }> {
    const before = await this.found(openingId);
    if (before.version !== version) throw versionConflict('this opening', await this.get(openingId));
    if ((await this.choices.listOfOpenings([openingId])).size > 0) {
      const message = `Something is chosen for ${placeLabel(before.record)}: take the choice off first.`;
      throw refused(message, [{ path: 'openingId', message }]);
    }
    if (!(await this.openings.remove(openingId, version)))
      throw versionConflict('this opening', await this.get(openingId));
    await history.note({
      kind: 'opening',
      recordId: openingId,
      jobId: before.jobId,
      label: placeLabel(before.record),
      action: 'deleted',
      version: version + 1,
      before: before.record,
      after: null,
    });
    return { jobId: before.jobId };
  }

  /** As `record` says, whether it is there or was taken out. */
  async bringBack(openingId: string, jobId: string, record: OpeningRecord, history: History): Promise<void> {
    const here = await this.openings.find(openingId);
    if (here) await this.replace(openingId, here.version, record, history);
    else await this.insert(jobId, openingId, record, history, 'broughtBack');
  }

  private async insert(
    jobId: string,
    openingId: string,
    record: OpeningRecord,
    history: History,
    action: 'created' | 'broughtBack',
  ): Promise<Opening> {
    await this.requireKnownConnector(record);
    if (!(await this.openings.lockJob(jobId))) throw notFound('job');
    const there = await this.openings.listOfJobs([jobId]);
    this.requireRoom(there);
    this.requireFreePlace(record, there);
    const version = await this.openings.add(jobId, openingId, record);
    await history.note({
      kind: 'opening',
      recordId: openingId,
      jobId,
      label: placeLabel(record),
      action,
      version,
      before: null,
      after: record,
    });
    return this.get(openingId);
  }

  private requireRoom(there: readonly StoredOpening[]): void {
    if (there.length < MOST_OPENINGS) return;
    const message = `${there.length} places are there, as many as a car may have: take one off first.`;
    throw refused(message, [{ path: 'record.place', message }]);
  }

  /** Two places of one name could not be told apart on any list. */
  private requireFreePlace(record: OpeningRecord, others: readonly StoredOpening[]): void {
    const label = placeLabel(record);
    if (!others.some((each) => placeLabel(each.record) === label)) return;
    const message = `${label} is there already: give this one a name of its own, such as "upper" or "woofer".`;
    throw refused(message, [{ path: 'record.name', message }]);
  }

  /** The version to change, also of one that cannot be read. */
  async versionOf(openingId: string): Promise<number> {
    return (await this.found(openingId)).version;
  }

  private async found(openingId: string): Promise<StoredOpening> {
    const opening = await this.openings.find(openingId);
    if (!opening) throw notFound('opening');
    return opening;
  }

  private async requireKnownConnector({ wiring }: OpeningRecord): Promise<void> {
    if (wiring.kind !== 'connector') return;
    if (await this.parts.hasConnector(wiring.connectorId)) return;
    const message = `"${wiring.connectorId}" is not a connector of this shop.`;
    throw refused(message, [{ path: 'record.wiring.connectorId', message }]);
  }
}
