/** Keeps and removes choices. One that does not clear is kept only with a written reason. */
import { type NewChoice, SHORTEST_REASON } from '@low-quarry/core/contracts/choices';
import { placeLabel } from '@low-quarry/core/model/place';
import type { ChoiceState } from '@low-quarry/core/records/recordKinds';
import { notFound, refused, versionConflict } from '../../http/AppError';
import { type Fitting, summarise } from '../fit/Fitting';
import type { History } from '../history/History';
import type { OpeningsStore, StoredOpening } from '../openings/OpeningsStore';
import type { ChoicesStore, StoredChoice } from './ChoicesStore';

const VERDICT_WORDS = { clears: 'Clears', measure: 'Measure first', hits: 'Hits', hold: 'Hold' } as const;

export class ChoicesService {
  constructor(
    private readonly openings: OpeningsStore,
    private readonly choices: ChoicesStore,
    private readonly readFitting: () => Promise<Fitting>,
    private readonly history: History,
    private readonly readVersion: (openingId: string) => Promise<number>,
  ) {}

  /** Keeps all of them or, when one is refused, none: the caller runs this in a transaction. */
  async keep(jobId: string, choices: readonly NewChoice[]): Promise<number> {
    await this.openings.lock(choices.map(({ openingId }) => openingId));
    const openings = new Map((await this.openings.listOfJobs([jobId])).map((opening) => [opening.id, opening]));
    if (openings.size === 0) throw notFound('job');
    if (new Set(choices.map(({ openingId }) => openingId)).size !== choices.length) {
      throw refused('One opening can have one choice only.', [
        { path: 'choices', message: 'The same opening is named twice.' },
      ]);
    }
    const fitting = await this.readFitting();
    const before = await this.choices.listOfOpenings(choices.map(({ openingId }) => openingId));
    for (const { openingId, version } of choices) {
      const known = before.get(openingId)?.choice ?? null;
      if (version !== undefined && version !== (known?.version ?? 0)) throw versionConflict('this choice', known);
    }
    const stored: StoredChoice[] = [];
    for (const [index, choice] of choices.entries()) {
      const version = await this.nextVersion(choice.openingId, before.get(choice.openingId));
      stored.push(this.toStored(fitting, openings.get(choice.openingId), choice, `choices.${index}`, version));
    }
    await this.choices.save(stored);
    for (const choice of stored) {
      const opening = openings.get(choice.openingId) as StoredOpening;
      await this.note(fitting, opening, before.get(choice.openingId), choice, choice.choice.version);
    }
    return stored.length;
  }

  async remove(openingId: string, version?: number): Promise<boolean> {
    await this.openings.lock([openingId]);
    const opening = await this.openings.find(openingId);
    if (!opening) throw notFound('opening');
    const before = (await this.choices.listOfOpenings([openingId])).get(openingId);
    if (!before) return false;
    if (version !== undefined && version !== before.choice.version) throw versionConflict('this choice', before.choice);
    await this.choices.remove(openingId);
    const next = await this.nextVersion(openingId, before);
    await this.note(await this.readFitting(), opening, before, undefined, next);
    return true;
  }

  /** A choice that is taken back and made again goes on counting; one from before there was a history counts too. */
  private async nextVersion(openingId: string, before: StoredChoice | undefined): Promise<number> {
    return Math.max(await this.readVersion(openingId), before?.choice.version ?? 0) + 1;
  }

  private note(
    fitting: Fitting,
    { id, jobId, record }: StoredOpening,
    before: StoredChoice | undefined,
    after: StoredChoice | undefined,
    version: number,
  ): Promise<number> {
    return this.history.note({
      kind: 'choice',
      recordId: id,
      jobId,
      label: placeLabel(record),
      action: after ? (before ? 'changed' : 'created') : 'deleted',
      version,
      before: before ? stateOf(fitting, before) : null,
      after: after ? stateOf(fitting, after) : null,
    });
  }

  private toStored(
    fitting: Fitting,
    opening: StoredOpening | undefined,
    choice: NewChoice,
    path: string,
    version: number,
  ): StoredChoice {
    if (!opening)
      throw refused('This opening does not belong to the job.', [
        { path: `${path}.openingId`, message: 'Not an opening of this job.' },
      ]);
    const candidate = fitting.findCandidate(choice);
    if (typeof candidate === 'string') {
      throw refused('The catalogue has no such part.', [
        { path: `${path}.${candidate}`, message: `"${choice[candidate]}" is not in the catalogue.` },
      ]);
    }
    const { verdict, sentence } = summarise(fitting.judge(opening.record, candidate));
    const reason = choice.reason === '' ? null : choice.reason;
    if (verdict !== 'clears' && (reason === null || reason.length < SHORTEST_REASON)) {
      const message = `${VERDICT_WORDS[verdict]}: ${sentence} Write why it is ordered all the same, in at least ${SHORTEST_REASON} characters.`;
      throw refused('What does not clear needs a written reason.', [{ path: `${path}.reason`, message }]);
    }
    const { openingId, speakerId, layerIds } = choice;
    return {
      openingId,
      verdictWhenChosen: verdict,
      snapshot: { ...fitting.snapshotInputs(opening.record, choice), sentence },
      choice: {
        speakerId,
        layerIds,
        reason: verdict === 'clears' ? null : reason,
        chosenAt: this.history.now.toISOString(),
        version,
      },
    };
  }
}

function stateOf(fitting: Fitting, { choice, verdictWhenChosen }: StoredChoice): ChoiceState {
  const { speakerId, layerIds, reason } = choice;
  const words = fitting.namesOf(choice).join(' + ');
  return { speakerId, layerIds, reason, words, verdict: VERDICT_WORDS[verdictWhenChosen] };
}
