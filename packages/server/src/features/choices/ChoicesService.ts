/** Keeps and removes choices. One that does not clear is kept only with a written reason. */
import { type NewChoice, SHORTEST_REASON } from '@low-quarry/core/contracts/choices';
import { notFound, refused } from '../../http/AppError';
import { type Fitting, summarise } from '../fit/Fitting';
import type { OpeningsStore, StoredOpening } from '../openings/OpeningsStore';
import type { ChoicesStore, StoredChoice } from './ChoicesStore';

const VERDICT_WORDS = { clears: 'Clears', measure: 'Measure first', hits: 'Hits', hold: 'Hold' } as const;

export class ChoicesService {
  constructor(
    private readonly openings: OpeningsStore,
    private readonly choices: ChoicesStore,
    private readonly readFitting: () => Promise<Fitting>,
    private readonly now: () => Date,
  ) {}

  /** Keeps all of them or, when one is refused, none: the caller runs this in a transaction. */
  async keep(jobId: string, choices: readonly NewChoice[]): Promise<number> {
    const openings = new Map((await this.openings.listOfJobs([jobId])).map((opening) => [opening.id, opening]));
    if (openings.size === 0) throw notFound('job');
    if (new Set(choices.map(({ openingId }) => openingId)).size !== choices.length) {
      throw refused('One opening can have one choice only.', [
        { path: 'choices', message: 'The same opening is named twice.' },
      ]);
    }
    const fitting = await this.readFitting();
    const stored = choices.map((choice, index) =>
      this.toStored(fitting, openings.get(choice.openingId), choice, `choices.${index}`),
    );
    await this.choices.save(stored);
    return stored.length;
  }

  async remove(openingId: string): Promise<boolean> {
    if (!(await this.openings.find(openingId))) throw notFound('opening');
    return this.choices.remove(openingId);
  }

  private toStored(
    fitting: Fitting,
    opening: StoredOpening | undefined,
    choice: NewChoice,
    path: string,
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
    const { openingId, speakerId, bracketIds, spacerId } = choice;
    return {
      openingId,
      verdictWhenChosen: verdict,
      choice: {
        speakerId,
        bracketIds,
        spacerId,
        reason: verdict === 'clears' ? null : reason,
        chosenAt: this.now().toISOString(),
      },
    };
  }
}
