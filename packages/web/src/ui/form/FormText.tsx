/** A line of text or a password of a form. */
import type { ComponentProps } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { TextField } from '../TextField';

type FormTextProps<Typed extends FieldValues, Read> = Omit<
  ComponentProps<typeof TextField>,
  'name' | 'value' | 'error' | 'onType' | 'onBlur' | 'ref'
> & {
  readonly control: Control<Typed, unknown, Read>;
  readonly name: FieldPath<Typed>;
  /** The value of what is typed, where it is not the text itself. */
  readonly read?: (text: string) => string;
};

export function FormText<Typed extends FieldValues, Read>({
  control,
  name,
  read,
  ...rest
}: FormTextProps<Typed, Read>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TextField
      {...rest}
      ref={field.ref}
      value={field.value ?? ''}
      error={fieldState.error?.message}
      onType={(text) => field.onChange(read ? read(text) : text)}
      onBlur={field.onBlur}
    />
  );
}
