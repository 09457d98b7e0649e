/**
 * Keeps and removes choices, with what is answered to the checks that do not clear. What is not answered is kept all the same:
 * it stays open, and off the order list.
 */

import type { NewChoice } from '@low-quarry/core/contracts/choices';
import type { Choice } from '@low-quarry/core/contracts/openings';
import { VERDICT_WORDS } from '@low-quarry/core/fit';
import type { Role } from '@low-quarry/core/model';
import { openingFacts, placeLabel } from '@low-quarry/core/model';
import {
  type Answer,
  CURES,
  covers,
  liftWords,
  mayCure,
  type NewAnswer,
  type OpenCheck,
  openChecks,
  takesReason,
} from '@low-quarry/core/order';
import type { ChoiceState } from '@low-quarry/core/records';
import { isSame } from '@low-quarry/core/records';
import { notFound, refused, versionConflict } from '../../http/AppError';
import { type Fitting, type FittingFor, summarise } from '../fit/Fitting';
import type { History } from '../history/History';
import type { OpeningsStore, StoredOpening } from '../openings/OpeningsStore';
import type { ChoicesStore, StoredChoice } from './ChoicesStore';

export class ChoicesService {
  constructor(
    private readonly openings: OpeningsStore,
    private readonly choices: ChoicesStore,
    private readonly fittingFor: FittingFor,
    private readonly history: History,
    /** Of who chooses: some cures are the owner's to answer for. */
    private readonly roles: readonly Role[],
    private readonly readVersion: (openingId: string) => Promise<number>,
  ) {}

  /**
   * Keeps all of them or, when one is refused, none: the caller runs this in a transaction.
   *
   * @param known answers that were given before, by whoever gave them: they stay theirs
   */
  async keep(jobId: string, choices: readonly NewChoice[], known: readonly Answer[] = []): Promise<number> {
    await this.openings.lock(choices.map(({ openingId }) => openingId));
    const openings = new Map((await this.openings.listOfJobs([jobId])).map((opening) => [opening.id, opening]));
    if (openings.size === 0) throw notFound('job');
    if (new Set(choices.map(({ openingId }) => openingId)).size !== choices.length) {
      throw refused('One opening can have one choice only.', [
        { path: 'choices', message: 'The same opening is named twice.' },
      ]);
    }
    const before = await this.choices.listOfOpenings(choices.map(({ openingId }) => openingId));
    const fitting = await this.fittingFor(
      choices.flatMap(({ openingId }) => openings.get(openingId)?.record ?? []),
      [...choices, ...[...before.values()].map(({ choice }) => choice)],
    );
    for (const { openingId, version } of choices) {
      const known = before.get(openingId)?.choice ?? null;
      if (version !== undefined && version !== (known?.version ?? 0)) throw versionConflict('this choice', known);
    }
    const stored: StoredChoice[] = [];
    for (const [index, choice] of choices.entries()) {
      const earlier = before.get(choice.openingId);
      const version = await this.nextVersion(choice.openingId, earlier);
      const given = [...known, ...(earlier && isSameCandidate(earlier.choice, choice) ? earlier.choice.answers : [])];
      stored.push(this.toStored(fitting, openings.get(choice.openingId), choice, given, `choices.${index}`, version));
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
    const fitting = await this.fittingFor([opening.record], [before.choice]);
    await this.note(fitting, opening, before, undefined, next);
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
    given: readonly Answer[],
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
    const undoable = fitting.undoableBecause(opening.record, choice);
    if (undoable !== null) throw refused(undoable, [{ path: `${path}.works`, message: undoable }]);
    const judgement = fitting.judge(opening.record, candidate, choice.works);
    const open = openChecks(judgement, [], openingFacts(opening.record));
    const { verdict, sentence } = summarise(judgement, open);
    const { openingId, speakerId, layerIds, works, earlierReason } = choice;
    return {
      openingId,
      verdictWhenChosen: verdict,
      snapshot: { ...fitting.snapshotInputs(opening.record, choice), sentence },
      choice: {
        speakerId,
        layerIds,
        works,
        answers: choice.answers.flatMap(
          (answer, at) => this.toAnswer(answer, open, given, `${path}.answers.${at}`) ?? [],
        ),
        earlierReason,
        chosenAt: this.history.now.toISOString(),
        version,
      },
    };
  }

  /** @returns null where the check clears by now: there is nothing to answer */
  private toAnswer(
    answer: NewAnswer,
    open: readonly OpenCheck[],
    given: readonly Answer[],
    path: string,
  ): Answer | null {
    const asked = open.find(({ check }) => check === answer.check);
    if (!asked) return null;
    const { verdict, countsFor, marginMm, sentence, cures } = asked;
    const refuse = (field: string, message: string) => refused(message, [{ path: `${path}.${field}`, message }]);
    if (answer.kind === 'reason' && !takesReason(asked)) throw refuse('kind', `${liftWords(cures)} ${sentence}`);
    if (answer.kind === 'cure') {
      if (!cures.includes(answer.cure)) throw refuse('cure', `That is no cure for what is open here: ${sentence}`);
      if (CURES[answer.cure].asksLeave && answer.leave === null)
        throw refuse('leave', 'It asks for the leave of the vehicle’s owner: who gave it, and how.');
    }
    const found = { verdict, countsFor, marginMm, sentence };
    const same = given.find((each) => isSameAnswer(each, answer) && covers(each, found, cures));
    if (same) return same;
    if (answer.kind === 'cure' && !mayCure(answer.cure, this.roles))
      throw refuse(
        'cure',
        'The owner of the shop answers for warning sounds: somebody with that role has to write this.',
      );
    return { ...answer, by: this.history.authorName, at: this.history.now.toISOString(), found };
  }
}

/** Other work by hand is another candidate: what was answered to one is no answer to the other. */
function isSameCandidate(a: NewChoice | Choice, b: NewChoice | Choice): boolean {
  return a.speakerId === b.speakerId && a.layerIds.join() === b.layerIds.join() && isSame(a.works, b.works);
}

function isSameAnswer({ by: _by, at: _at, found: _found, ...said }: Answer, answer: NewAnswer): boolean {
  return isSame(said, answer);
}

function stateOf(fitting: Fitting, { choice, verdictWhenChosen }: StoredChoice): ChoiceState {
  const { speakerId, layerIds, works, answers, earlierReason } = choice;
  const words = fitting.namesOf(choice).join(' + ');
  return { speakerId, layerIds, works, answers, earlierReason, words, verdict: VERDICT_WORDS[verdictWhenChosen] };
}
