/** Chooses the shown candidate for this opening, and for the other side when that is wanted. */
import { type NewChoice, SHORTEST_REASON } from '@low-quarry/core/contracts/choices';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Judgement } from '@low-quarry/core/fit/Judgement';
import { placeLabel } from '@low-quarry/core/model/place';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { useState, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { isAway, subscribeToConnection } from '../../api/connection';
import { verdictLine } from '../../text/verdictLine';
import { Button, LinkButton } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { useKept } from '../../ui/useKept';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { useChoosing } from './useChoosing';

type Judged = { readonly opening: OpeningWithState; readonly judgement: Judgement };
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
  readonly unit: LengthUnit;
};

export function ChoosePanel({ jobId, here, other, candidate, speakerName, notOrderable, unit }: ChoosePanelProps) {
  // A side that does not clear is added only by hand: it would ask for a reason nobody thought of.
  const [withOther, setWithOther] = useState(other?.judgement.verdict === 'clears');
  const kept = useKept(`reason.${here.opening.id}`, z.string(), () => '');
  const reason = kept.state;
  const [touched, setTouched] = useState(false);
  const choosing = useChoosing(here.opening.id);
  const away = useSyncExternalStore(subscribeToConnection, isAway);

  const chosen = [here, ...(other && withOther ? [other] : [])];
  const open = chosen.filter(({ judgement }) => judgement.verdict !== 'clears');
  const needsReason = open.length > 0;
  const heldForPlug = open.filter(({ judgement }) => isHeldForPlug(judgement));
  const reasonError =
    touched && needsReason && reason.trim().length < SHORTEST_REASON
      ? `Write why, in at least ${SHORTEST_REASON} characters.`
      : null;
  const isChosen = isSame(here.opening, candidate);

  const choose = () => {
    setTouched(true);
    if (needsReason && reason.trim().length < SHORTEST_REASON) return;
    kept.settle(reason);
    choosing.keep(
      jobId,
      `${speakerName} for ${chosen.map(({ opening }) => placeLabel(opening.record).toLowerCase()).join(' and ')}`,
      chosen.map(({ opening, judgement }) => ({
        openingId: opening.id,
        version: opening.choice?.version ?? 0,
        ...candidate,
        layerIds: [...candidate.layerIds],
        reason: judgement.verdict === 'clears' ? null : reason.trim(),
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
          </span>
        </label>
      )}
      {needsReason && !notOrderable && (
        <Field
          label="Why order it although it does not clear?"
          hint={`${labelsOf(open)}: without a written reason it stays off the order list.`}
          error={reasonError}
        >
          {(ids) => (
            <textarea
              {...ids}
              rows={2}
              maxLength={500}
              value={reason}
              onChange={({ target }) => kept.keep(target.value)}
              className={`${INPUT} py-2`}
            />
          )}
        </Field>
      )}
      {heldForPlug.length > 0 && !notOrderable && (
        <p className="flex items-start gap-2">
          <VerdictMark verdict="hold" size={14} />
          <span>
            {labelsOf(heldForPlug)}: no reason lifts the hold for the second plug. It stays off the order list until the
            plug is known to carry no warning.
          </span>
        </p>
      )}
      <Button kind="main" onClick={choose} disabled={choosing.isWaiting || notOrderable !== null}>
        {choosing.isWaiting
          ? 'Choosing …'
          : `Choose for ${chosen.length === 2 ? 'both sides' : placeLabel(here.opening.record).toLowerCase()}`}
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
          <LinkButton to={`/jobs/${jobId}/order`}>Order list</LinkButton>
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
  const deciding = judgement.checks.find(({ id }) => id === judgement.decidedBy);
  return verdictLine(
    {
      verdict: judgement.verdict,
      decidedBy: judgement.decidedBy,
      marginMm: deciding?.margin?.valueMm ?? null,
      expandedMm: deciding?.margin?.expandedMm ?? null,
    },
    opening.record.behind,
    unit,
  );
}

function isSame({ choice }: OpeningWithState, { speakerId, layerIds }: CandidateIds): boolean {
  return choice !== null && choice.speakerId === speakerId && choice.layerIds.join() === layerIds.join();
}

function labelsOf(sides: readonly Judged[]): string {
  return sides.map(({ opening }) => placeLabel(opening.record)).join(' and ');
}

function isHeldForPlug({ checks }: Judgement): boolean {
  return checks.some(({ id, verdict }) => id === 'chime' && verdict === 'hold');
}
