/** A labelled line of text, or a password. */
import type { InputHTMLAttributes, Ref } from 'react';
import { Field, INPUT } from './Field';

type TextFieldProps = Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value' | 'id'> & {
  readonly ref?: Ref<HTMLInputElement>;
  readonly label: string;
  readonly value: string;
  readonly hint?: string | undefined;
  readonly error?: string | null | undefined;
  readonly onType: (text: string) => void;
};

export function TextField({ label, hint, error, onType, ...rest }: TextFieldProps) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => <input {...ids} {...rest} onChange={({ target }) => onType(target.value)} className={INPUT} />}
    </Field>
  );
}
