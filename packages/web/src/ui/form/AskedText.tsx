/** A line that nobody may have asked for: what was said, or that nothing was. */
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { TextField } from '../TextField';
import { Tick } from '../Tick';

export function AskedText<Typed extends FieldValues, Read>({
  control,
  name,
  label,
  hint,
  nothing,
  notAsked = 'not asked',
}: {
  readonly control: Control<Typed, unknown, Read>;
  /** Of a text or null. */
  readonly name: FieldPath<Typed>;
  readonly label: string;
  readonly hint: string;
  readonly nothing: string;
  /** What it is called before anybody answered. */
  readonly notAsked?: string;
}) {
  const { field, fieldState } = useController({ control, name });
  const text: string | null = field.value;
  return (
    <div className="flex flex-col">
      <TextField
        ref={field.ref}
        label={text === null ? `${label} · ${notAsked}` : label}
        hint={hint}
        value={text ?? ''}
        error={fieldState.error?.message}
        autoComplete="off"
        onType={(typed) => field.onChange(typed === '' ? null : typed)}
        onBlur={field.onBlur}
      />
      <Tick label={nothing} isOn={text === ''} onChange={(isOn) => field.onChange(isOn ? '' : null)} />
    </div>
  );
}
