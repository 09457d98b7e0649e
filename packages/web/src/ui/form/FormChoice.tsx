/** One of several of a form, or that nobody has looked. */
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { Choice } from '../Choice';

type FormChoiceProps<Typed extends FieldValues, Read, Value extends string> = {
  readonly control: Control<Typed, unknown, Read>;
  /** Of one of the values, or of null where there is a word for that. */
  readonly name: FieldPath<Typed>;
  readonly label: string;
  readonly options: Readonly<Record<Value, string>>;
  /** What null is called. */
  readonly none?: string;
  readonly hint?: string;
};

export function FormChoice<Typed extends FieldValues, Read, Value extends string>({
  control,
  name,
  label,
  options,
  none,
  hint,
}: FormChoiceProps<Typed, Read, Value>) {
  const { field, fieldState } = useController({ control, name });
  const all = Object.entries<string>(options).map(([value, words]) => [value, words] as const);
  return (
    <Choice<string>
      label={label}
      {...(hint === undefined ? {} : { hint })}
      value={field.value ?? ''}
      options={none === undefined ? all : [['', none], ...all]}
      error={fieldState.error?.message ?? null}
      onChange={(value) => field.onChange(value === '' ? null : value)}
    />
  );
}
