/** Where a number comes from, as a small letter mark beside it, the same everywhere; in full for screen readers. */
import { ORIGIN_LABELS } from '@low-quarry/core/model';
import type { Origin } from '@low-quarry/core/uncertainty';

const LETTERS: Readonly<Record<Origin, string>> = {
  takenHere: 'T',
  carriedOver: 'O',
  catalogue: 'C',
  classDefault: 'D',
  guess: 'G',
  whatIf: 'W',
};

export function OriginMark({ origin, detail }: { readonly origin: Origin; readonly detail?: string | undefined }) {
  const words = detail ? `${ORIGIN_LABELS[origin]}, ${detail}` : ORIGIN_LABELS[origin];
  return (
    <span
      title={words}
      className={`inline-flex h-5 w-5 shrink-0 items-center justify-center border text-[11px] font-bold ${origin === 'takenHere' ? 'border-ink bg-ink text-paper' : 'border-dashed border-muted text-muted'}`}
    >
      <span aria-hidden="true">{LETTERS[origin]}</span>
      <span className="sr-only">{words}</span>
    </span>
  );
}
