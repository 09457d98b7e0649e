/** Some lines of text of a form. */
import type { TextareaHTMLAttributes } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { Field, INPUT } from '../Field';

type FormAreaProps<Typed extends FieldValues, Read> = Pick<
  TextareaHTMLAttributes<HTMLTextAreaElement>,
  'rows' | 'spellCheck' | 'className'
> & {
  readonly control: Control<Typed, unknown, Read>;
  readonly name: FieldPath<Typed>;
  readonly label: string;
  readonly hint?: string;
};

export function FormArea<Typed extends FieldValues, Read>({
  control,
  name,
  label,
  hint,
  className = '',
  ...rest
}: FormAreaProps<Typed, Read>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Field label={label} hint={hint} error={fieldState.error?.message}>
      {(ids) => (
        <textarea
          {...ids}
          {...rest}
          ref={field.ref}
          value={field.value ?? ''}
          onChange={field.onChange}
          onBlur={field.onBlur}
          className={`${INPUT} py-2 ${className}`}
        />
      )}
    </Field>
  );
}
