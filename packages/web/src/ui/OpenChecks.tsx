/** What of a choice does not clear, the gravest first, and what was answered to it. */
import type { OpeningRecord } from '@low-quarry/core/model';
import type { OpenCheck } from '@low-quarry/core/order';
import { answerWords } from '@low-quarry/core/order';
import { openCheckLine } from '../text/verdictLine';
import { useSettings } from './settings';
import { VerdictMark, verdictColour } from './VerdictMark';

type OpenChecksProps = {
  readonly open: readonly OpenCheck[];
  readonly behind: OpeningRecord['behind'];
  readonly earlierReason?: string | null;
};

export function OpenChecks({ open, behind, earlierReason = null }: OpenChecksProps) {
  const { unit } = useSettings();
  if (open.length === 0 && earlierReason === null) return null;
  return (
    <ul aria-label="Open checks" className="flex flex-col gap-1 text-[13px] leading-4">
      {open.map((each) => (
        <li key={each.check} className="flex items-start gap-2">
          <VerdictMark verdict={each.verdict} hidden size={12} />
          <span>
            <span className={`font-semibold ${verdictColour(each.verdict)}`}>{openCheckLine(each, behind, unit)}</span>{' '}
            {each.sentence} {answered(each)}
          </span>
        </li>
      ))}
      {earlierReason !== null && (
        <li className="text-muted">Written earlier, for no check of its own: “{earlierReason}”</li>
      )}
    </ul>
  );
}

/** What stands to a check, for paper and screen. */
export function answered({ answer, countsFor }: OpenCheck): string {
  if (countsFor === 'arrival') return '';
  return answer ? `Answered: ${answerWords(answer)}.` : 'Not answered.';
}
