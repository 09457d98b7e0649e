/** Chooses the shown candidate for this opening, and for the other side when that is wanted. */
import type { NewChoice } from '@low-quarry/core/contracts/choices';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Judgement, Work } from '@low-quarry/core/fit';
import { behindFace, openingFacts, placeLabel } from '@low-quarry/core/model';
import { type OpenCheck, openChecks } from '@low-quarry/core/order';
import { isSame } from '@low-quarry/core/records';
import type { LengthUnit } from '@low-quarry/core/units';
import { useState, useSyncExternalStore } from 'react';
import { isAway, subscribeToConnection } from '../../api/connection';
import { addressOf } from '../../stations/addressOf';
import { factsOf, openCheckLine, verdictLine } from '../../text/verdictLine';
import { Button, LinkButton } from '../../ui/Button';
import { useKept } from '../../ui/useKept';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { AnswerFields } from './AnswerFields';
import { answerDraftsSchema, draftErrors, draftOf, toNewAnswer, withDraft } from './answerDrafts';
import { useChoosing } from './useChoosing';

/** An opening judged with the candidate and what is changed by hand on that side. */
type Judged = {
  readonly opening: OpeningWithState;
  readonly judgement: Judgement;
  readonly works: readonly Work[];
};
type CandidateIds = Pick<NewChoice, 'speakerId' | 'layerIds'>;

type ChoosePanelProps = {
  readonly jobId: string;
  readonly here: Judged;
  /** The opening on the other side of the car, judged with the same candidate; null when there is none. */
  readonly other: Judged | null;
  readonly candidate: CandidateIds;
  readonly speakerName: string;
  /** Why it cannot be ordered as it is shown (a spacer nobody stocks); null when it can. */
  readonly notOrderable: string | null;
  /** What of its channel keeps it off the order list; null where nothing does. */
  readonly heldBy: string | null;
  readonly unit: LengthUnit;
};

export function ChoosePanel({
  jobId,
  here,
  other,
  candidate,
  speakerName,
  notOrderable,
  heldBy,
  unit,
}: ChoosePanelProps) {
  // A side that does not clear is added only by hand: it asks for answers nobody thought of.
  const [withOther, setWithOther] = useState(other !== null && !isOpen(other, candidate));
  const kept = useKept(
    `answers.${here.opening.id}.${[candidate.speakerId, candidate.layerIds.join('+'), ...here.works.map(({ kind }) => kind)].join('/')}`,
    answerDraftsSchema,
    () => ({}),
  );
  const [touched, setTouched] = useState(false);
  const choosing = useChoosing(here.opening.id);
  const away = useSyncExternalStore(subscribeToConnection, isAway);

  const sides = [here, ...(other && withOther ? [other] : [])].map((side) => ({
    ...side,
    open: openOf(side, candidate).map((open) => {
      const draft = draftOf(kept.state, side.opening.id, open);
      return { open, draft, errors: draftErrors(open, draft) };
    }),
  }));
  const isWrong = sides.some(({ open }) => open.some(({ errors }) => Object.keys(errors).length > 0));
  const leftOpen = sides.flatMap(({ open }) =>
    open.filter((each) => each.open.countsFor !== 'arrival' && toNewAnswer(each.open, each.draft) === null),
  ).length;
  const isChosen = isChosenAs(here, candidate);

  const choose = () => {
    setTouched(true);
    if (isWrong) return;
    kept.settle(kept.state);
    choosing.keep(
      jobId,
      `${speakerName} for ${sides.map(({ opening }) => placeLabel(opening.record).toLowerCase()).join(' and ')}`,
      sides.map(({ opening, judgement, works, open }) => ({
        openingId: opening.id,
        version: opening.choice?.version ?? 0,
        ...candidate,
        layerIds: [...candidate.layerIds],
        works,
        answers: open.flatMap((each) => toNewAnswer(each.open, each.draft) ?? []),
        earlierReason: isChosenAs({ opening, judgement, works }, candidate)
          ? (opening.choice?.earlierReason ?? null)
          : null,
      })),
    );
  };

  return (
    <section aria-label="Choose" className="flex flex-col gap-2 border-t border-ink pt-3">
      {other && (
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            checked={withOther}
            onChange={({ target }) => setWithOther(target.checked)}
            className="h-6 w-6 accent-action"
          />
          <span>
            Also for {placeLabel(other.opening.record).toLowerCase()}
            <span className={`flex items-center gap-1 text-[13px] ${verdictColour(other.judgement.verdict)}`}>
              <VerdictMark verdict={other.judgement.verdict} hidden size={12} />
              {lineOf(other, unit)}
            </span>
            <span className="block text-[13px] text-muted">
              By its shape; what its own channel says is shown there.
            </span>
          </span>
        </label>
      )}
      {!notOrderable &&
        sides.map(({ opening, open }) =>
          open.map((each) => (
            <AnswerFields
              key={`${opening.id} ${each.open.check}`}
              open={each.open}
              title={titleOf(each.open, opening.record, sides.length > 1, unit)}
              draft={each.draft}
              errors={touched ? each.errors : {}}
              measureAt={addressOf('measure', { jobId, openingId: opening.id })}
              onChange={(draft) => kept.keep(withDraft(kept.state, opening.id, each.open, draft))}
            />
          )),
        )}
      {leftOpen > 0 && !notOrderable && (
        <p className="font-semibold text-measure">
          {leftOpen === 1 ? 'One check stays' : `${leftOpen} checks stay`} open: it can be chosen, and stays off the
          order list until {leftOpen === 1 ? 'it is' : 'they are'} answered.
        </p>
      )}
      {heldBy && !notOrderable && (
        <p className="font-semibold text-hold">
          Held by {heldBy}: it can be chosen, and stays off the order list until that is settled.
        </p>
      )}
      <Button kind="main" onClick={choose} disabled={choosing.isWaiting || notOrderable !== null}>
        {choosing.isWaiting
          ? 'Choosing …'
          : `Choose for ${sides.length === 2 ? 'both sides' : placeLabel(here.opening.record).toLowerCase()}`}
      </Button>
      <p role="status" className={choosing.refusal ? 'font-semibold text-hits' : 'text-muted'}>
        {notOrderable ??
          (choosing.refusal
            ? `Not chosen: ${choosing.refusal}`
            : choosing.isWaiting && away
              ? 'The server does not answer. It is chosen as soon as it is back.'
              : isChosen
                ? `${speakerName} is chosen here.`
                : here.opening.choice
                  ? 'Another candidate is chosen here; this would replace it.'
                  : '')}
      </p>
      {here.opening.choice && (
        <div className="flex flex-wrap items-center gap-2">
          <LinkButton to={addressOf('order', { jobId })}>Order list</LinkButton>
          <Button
            kind="quiet"
            onClick={() => choosing.remove(placeLabel(here.opening.record), here.opening.choice?.version ?? 0)}
            disabled={choosing.isWaiting}
          >
            Take the choice back
          </Button>
        </div>
      )}
    </section>
  );
}

function lineOf({ opening, judgement }: Judged, unit: LengthUnit): string {
  return verdictLine(factsOf(judgement), behindFace(opening.record), unit);
}

function isChosenAs({ opening: { choice }, works }: Judged, { speakerId, layerIds }: CandidateIds): boolean {
  return (
    choice !== null &&
    choice.speakerId === speakerId &&
    choice.layerIds.join() === layerIds.join() &&
    isSame(choice.works, works)
  );
}

/** What does not clear there, with what was answered where this very candidate is chosen already. */
function openOf(side: Judged, candidate: CandidateIds): readonly OpenCheck[] {
  const { opening, judgement } = side;
  const answers = isChosenAs(side, candidate) ? (opening.choice?.answers ?? []) : [];
  return openChecks(judgement, answers, openingFacts(opening.record));
}

function isOpen(side: Judged, candidate: CandidateIds): boolean {
  return openOf(side, candidate).some(({ countsFor }) => countsFor !== 'arrival');
}

/** What is open, with its side where there are two. */
function titleOf(open: OpenCheck, record: OpeningWithState['record'], isPair: boolean, unit: LengthUnit): string {
  const line = openCheckLine(open, behindFace(record), unit);
  return isPair ? `${placeLabel(record)}. ${line}` : line;
}
