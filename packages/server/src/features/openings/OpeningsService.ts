/** Reads and changes openings. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { OpeningRecord } from '@low-quarry/core/model';
import { placeLabel } from '@low-quarry/core/model';
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
