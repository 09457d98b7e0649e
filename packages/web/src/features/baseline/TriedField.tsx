/** One thing that is tried: works, does not, is not there, or nobody has tried it. */
import { TRIED, TRIED_LABELS, type Tried, type TriedFunction } from '@low-quarry/core/model';
import { type ReactNode, useId } from 'react';
import { INPUT } from '../../ui/Field';

type TriedFieldProps = {
  readonly label: string;
  readonly tried: TriedFunction | undefined;
  /** Undefined: not tried after all. */
  readonly onChange: (tried: TriedFunction | undefined) => void;
  readonly isLocked: boolean;
  /** What one should know of it before it counts. */
  readonly hint?: string | null;
  readonly states?: readonly Tried[];
  /** Of it; shown where something is wrong. */
  readonly photos?: ReactNode;
};

const MARKS: Readonly<Record<Tried, string>> = { works: '✓', doesNot: '✕', notThere: '–' };
const PRESSED: Readonly<Record<Tried, string>> = {
  works: 'border-clears bg-clears text-paper',
  doesNot: 'border-hits bg-hits text-paper',
  notThere: 'border-ink bg-ink text-paper',
};

export function TriedField({
  label,
  tried,
  onChange,
  isLocked,
  hint = null,
  states = TRIED,
  photos = null,
}: TriedFieldProps) {
  const id = useId();
  const asksNote = tried?.state === 'doesNot' || (tried?.note ?? '') !== '';
  return (
    <li className="flex flex-col gap-1 border-b border-hairline py-1">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <span id={id} className="min-w-40 flex-1">
          {label}
          {!tried && <span className="text-[13px] text-measure"> · not tried</span>}
        </span>
        {/* biome-ignore lint/a11y/useSemanticElements: a fieldset cannot be laid out beside its legend. */}
        <span role="group" aria-labelledby={id} className="flex gap-1">
          {states.map((state) => {
            const isOn = tried?.state === state;
            return (
              <button
                key={state}
                type="button"
                aria-pressed={isOn}
                disabled={isLocked}
                onClick={() => onChange(isOn ? undefined : { state, note: tried?.note ?? '' })}
                className={`min-h-12 min-w-24 border px-2 font-semibold ${isOn ? PRESSED[state] : 'border-hairline bg-paper text-action'} ${isLocked && !isOn ? 'opacity-50' : ''}`}
              >
                <span aria-hidden="true">{isOn ? `${MARKS[state]} ` : ''}</span>
                {TRIED_LABELS[state]}
              </button>
            );
          })}
        </span>
      </div>
      {tried && asksNote && (
        <input
          aria-label={`Note: ${label}`}
          placeholder="What is wrong, in a few words"
          className={INPUT}
          maxLength={200}
          disabled={isLocked}
          value={tried.note}
          onChange={({ target }) => onChange({ ...tried, note: target.value })}
        />
      )}
      {tried && asksNote && photos}
      {hint && <p className="text-[13px] leading-4 text-muted">{hint}</p>}
    </li>
  );
}
