/** What is open for an opening whatever is chosen for it: said once, above all the candidates. */
import type { FitOpening, Judgement } from '@low-quarry/core/fit';
import { openForOpening } from '@low-quarry/core/fit';
import { Link } from 'react-router';
import { VerdictMark } from '../../ui/VerdictMark';

type OpenForOpeningProps = {
  readonly opening: FitOpening;
  /** Of the candidate that is shown. */
  readonly judgement: Judgement;
  /** Where the opening is looked at; null where there is no car yet. */
  readonly measureAt: string | null;
};

export function OpenForOpening({ opening, judgement, measureAt }: OpenForOpeningProps) {
  const open = openForOpening(opening, judgement);
  if (open.length === 0) return null;
  return (
    <section aria-label="Open for this opening" className="mb-3 border-y border-ink py-2">
      <h2>Open for this opening, whatever is chosen</h2>
      <ul>
        {open.map(({ check, verdict, sentence }) => (
          <li key={check} className="flex items-start gap-2">
            <span className="pt-0.5">
              <VerdictMark verdict={verdict} size={14} />
            </span>
            {sentence}
          </li>
        ))}
      </ul>
      <p className="text-muted">
        The candidates are judged as if this were settled.{' '}
        {measureAt && (
          <Link to={measureAt} className="inline-flex min-h-8 items-center text-action underline underline-offset-2">
            Look and note it
          </Link>
        )}
      </p>
    </section>
  );
}
