/** What a choice's verdict depended on and is not as it was, with the verdict then and now. Nothing changes by itself. */
import type { OpeningState } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model';
import { behindFace } from '@low-quarry/core/model';
import { verdictLine } from '../../text/verdictLine';
import { VERDICT_WORDS } from '../../text/words';
import { useSettings } from '../../ui/settings';

type Chosen = Extract<OpeningState, { kind: 'chosen' }>;

export function ChangedSince({ state, record }: { readonly state: Chosen; readonly record: OpeningRecord }) {
  const { unit } = useSettings();
  const { changedSince, verdictThen, sentenceThen, summary, speakerName } = state;
  if (changedSince.length === 0) return null;
  return (
    <section aria-label="Changed since it was chosen" className="border-l-4 border-measure bg-paper px-3 py-2">
      <h2>Changed since {speakerName} was chosen</h2>
      <ul>
        {changedSince.map(({ path, label, before, after }) => (
          <li key={path}>
            {label}: {before} → {after}
          </li>
        ))}
      </ul>
      <p>
        Then: <strong>{VERDICT_WORDS[verdictThen]}.</strong> {sentenceThen}
      </p>
      <p>
        Now: <strong>{verdictLine(summary, behindFace(record), unit)}.</strong> {summary.sentence}
      </p>
      <p className="text-muted">The choice stays until you choose again.</p>
    </section>
  );
}
