/**
 * A field for one number that is kept as typed while it is typed: a length in the set unit, or an angle. What cannot be read
 * stays in the field and in the draft, with its message, and the last number that could be read stays underneath.
 */
import { explainLengthFailure, type LengthUnit, parseLength, printLength, printNumber } from '@low-quarry/core/units';
import { useState } from 'react';
import { Field, INPUT } from './Field';
import { useSettings } from './settings';
import { useUnreadText } from './unreadNumbers';

type Limits = { readonly least: number; readonly most: number };

type NumberFieldProps = Limits & {
  readonly label: string;
  readonly hint?: string;
  /** mm or degrees. */
  readonly value: number;
  readonly kind: 'length' | 'angle';
  /** What the server said of this field. */
  readonly error?: string | null;
  readonly onChange: (value: number, typed: string) => void;
};

type Read = { readonly value: number; readonly error: null } | { readonly value: null; readonly error: string };

export function NumberField({ label, hint, value, kind, least, most, error = null, onChange }: NumberFieldProps) {
  const { unit } = useSettings();
  const unread = useUnreadText(label);
  /** While it is typed; afterwards it is a number, or what the draft holds as not read. */
  const [typing, setTyping] = useState<string | null>(null);
  const typed = typing ?? unread.text;
  const read = typed === null ? null : readNumber(typed, kind, unit, { least, most });
  const shown = kind === 'length' ? printNumber(value, unit) : String(value);
  return (
    <Field label={`${label}, ${kind === 'length' ? unit : '°'}`} hint={hint} error={read?.error ?? error}>
      {(ids) => (
        <input
          {...ids}
          data-number
          value={typed ?? shown}
          autoComplete="off"
          onChange={({ target }) => {
            setTyping(target.value);
            const next = readNumber(target.value, kind, unit, { least, most });
            if (next.error === null) onChange(next.value, target.value);
            unread.note(next.error === null ? null : target.value);
          }}
          // What was understood is shown as it was understood.
          onBlur={() => setTyping((text) => (text !== null && read?.error && !unread.isKept ? text : null))}
          className={INPUT}
        />
      )}
    </Field>
  );
}

function readNumber(text: string, kind: NumberFieldProps['kind'], unit: LengthUnit, limits: Limits): Read {
  if (kind === 'length') {
    const length = parseLength(text, unit);
    if (!length.ok) return { value: null, error: explainLengthFailure(length.failure) };
    return within(length.value.valueMm, limits, (valueMm) => printLength(valueMm, unit));
  }
  const value = Number(text.trim().replace(',', '.').replace(/°$/, ''));
  if (text.trim() === '' || !Number.isFinite(value))
    return { value: null, error: `"${text.slice(0, 40)}" was not understood. Type degrees such as 15.` };
  return within(value, limits, (degrees) => `${degrees}°`);
}

function within(value: number, { least, most }: Limits, print: (value: number) => string): Read {
  if (value >= least && value <= most) return { value, error: null };
  return { value: null, error: `${print(value)} was read; expected ${print(least)} to ${print(most)}.` };
}
