/** Each speaker of the car as it was heard alone; it is tried at its opening. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { PLAYS_LABELS, placeLabel } from '@low-quarry/core/model';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { presenceWords } from '../../text/words';

type SpeakersProps = { readonly jobId: string; readonly openings: readonly OpeningWithState[] };

export function Speakers({ jobId, openings }: SpeakersProps) {
  return (
    <section aria-label="Speakers">
      <h2 className="border-b border-ink text-[18px] font-bold">Speakers, each heard alone</h2>
      {openings.length === 0 && <p className="py-2 text-muted">No place of this car is noted yet.</p>}
      <ul>
        {openings.map(({ id, record }) => (
          <li key={id} className="border-b border-hairline">
            <Link
              to={addressOf('measure', { jobId, openingId: id })}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 hover:bg-paper"
            >
              <span className="text-action underline underline-offset-2">{placeLabel(record)}</span>
              <span className={heardOf(record) === null ? 'text-measure' : 'font-semibold'}>
                {heardOf(record) ?? PLAYS_LABELS.notTried}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** null where nobody has heard it. */
function heardOf(record: OpeningWithState['record']): string | null {
  if (record.presence === 'notLooked') return null;
  if (record.presence !== 'fitted') return presenceWords(record);
  const plays = record.oldSpeaker?.plays ?? 'notTried';
  return plays === 'notTried' ? null : PLAYS_LABELS[plays];
}
