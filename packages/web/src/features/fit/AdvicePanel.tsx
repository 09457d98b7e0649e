/** What to do next about the shown candidate: worked out beside the screen, so it comes a moment after the verdict. */

import type { ListedById } from '@low-quarry/core/catalogue';
import { type Change, changeKey } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { useQuery } from '@tanstack/react-query';
import { verdictLine } from '../../text/verdictLine';
import { CHANNEL_CHECK_WORDS, VERDICT_WORDS } from '../../text/words';
import { verdictColour } from '../../ui/VerdictMark';
import {
  candidateQuestionWords,
  chanceLine,
  changeEffort,
  changeWords,
  costLine,
  openingQuestionWords,
} from './adviceView';
import { stackWords } from './CandidateList';
import type { adviceQuery } from './fitQueries';
import type { ChannelJoin } from './joinChannel';

type AdvicePanelProps = {
  readonly query: ReturnType<typeof adviceQuery>;
  readonly parts: ListedById;
  readonly currency: string;
  readonly behind: OpeningRecord['behind'];
  readonly unit: LengthUnit;
  /** What its channel has against a speaker. */
  readonly against: ChannelJoin['against'];
  readonly onChange: (change: Change) => void;
};

export function AdvicePanel({ query, parts, currency, behind, unit, against, onChange }: AdvicePanelProps) {
  const { data, isError, error } = useQuery(query);
  if (isError) return <p role="alert">The advice could not be worked out: {error.message}</p>;
  if (!data) return <p className="text-muted">Working out what to measure …</p>;
  const lines = [
    data.forOpening && openingQuestionWords(data.forOpening),
    data.forCandidate && data.forOpening && data.forCandidate.key !== data.forOpening.key
      ? candidateQuestionWords(data.forCandidate)
      : null,
  ].filter((line) => line !== null);
  const details = [chanceLine(data), costLine(data, currency)].filter((line) => line !== null);
  if (lines.length + details.length + data.changes.length === 0) return null;
  return (
    <section aria-label="What next" className="flex flex-col gap-1">
      {lines.map((line) => (
        <p key={line} className="font-semibold">
          {line}
        </p>
      ))}
      {details.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {data.changes.length > 0 && (
        <>
          <h3 className="mt-1 font-semibold">What would make it clear</h3>
          <ul className="flex flex-col border-t border-hairline">
            {data.changes.map((change) => (
              <li key={changeKey(change)} className="border-b border-hairline">
                <button
                  type="button"
                  onClick={() => onChange(change)}
                  className="min-h-10 w-full py-1 text-left text-action underline"
                >
                  {words(change, parts, unit)}
                </button>
                <p className="pb-2 text-[13px] leading-4 text-muted">
                  {`${verdictLine({ ...change, verdict: 'clears' }, behind, unit)}. ${changeEffort(change) ?? ''}`}
                  <AgainstIt found={against(change.speakerId)} />
                </p>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** It would clear by its shape alone. */
function AgainstIt({ found }: { readonly found: ReturnType<ChannelJoin['against']> }) {
  if (!found) return null;
  const { verdict, check } = found;
  return (
    <strong className={`block ${verdictColour(verdict)}`}>
      {VERDICT_WORDS[verdict]} by its channel: {CHANNEL_CHECK_WORDS[check].toLowerCase()}.
    </strong>
  );
}

function words(change: Change, parts: ListedById, unit: LengthUnit): string {
  return changeWords(change, parts, stackWords(change.layerIds, parts), unit);
}
