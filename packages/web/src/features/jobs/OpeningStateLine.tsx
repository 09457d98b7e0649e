import type { OpeningState } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model';
import { useSettings } from '../../ui/settings';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { openingStateView } from './openingStateView';

/** The mark of an opening without a verdict: an empty ring. */
export function OpenMark() {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true" className="shrink-0 text-muted">
      <circle cx="8" cy="8" r="5.5" fill="none" stroke="currentColor" strokeWidth="1.5" />
    </svg>
  );
}

type StateProps = { readonly state: OpeningState; readonly record: Pick<OpeningRecord, 'behind'> };

export function StateMark({ state, record }: StateProps) {
  const { verdict } = openingStateView(state, record, 'mm');
  return verdict ? <VerdictMark verdict={verdict} hidden /> : <OpenMark />;
}

export function OpeningStateLine({ state, record }: StateProps) {
  const { unit } = useSettings();
  const { verdict, headline, detail } = openingStateView(state, record, unit);
  return (
    <span className="flex flex-col">
      <span className={`font-semibold ${verdict ? verdictColour(verdict) : 'text-muted'}`}>{headline}</span>
      <span className="text-[13px] leading-4 text-muted">{detail}</span>
    </span>
  );
}
