/** A line that nobody may have asked for: what was said, or that nothing was. */
import { useController } from 'react-hook-form';
import { TextField } from '../../ui/TextField';
import { Tick } from '../../ui/Tick';
import type { IntakeControl } from './typedIntake';

export function AskedText({
  control,
  name,
  label,
  hint,
  nothing,
}: {
  readonly control: IntakeControl;
  readonly name: 'doneBefore' | 'lostWithoutSupply';
  readonly label: string;
  readonly hint: string;
  readonly nothing: string;
}) {
  const { field, fieldState } = useController({ control, name });
  const text = field.value;
  return (
    <div className="flex flex-col">
      <TextField
        ref={field.ref}
        label={text === null ? `${label} · not asked` : label}
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
