/** One of several, in words. */
import { Field, INPUT } from './Field';

type ChoiceProps<Value extends string> = {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly hint?: string;
  readonly error?: string | null;
  readonly onChange: (value: Value) => void;
};

export function Choice<Value extends string>({
  label,
  value,
  options,
  hint,
  error = null,
  onChange,
}: ChoiceProps<Value>) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => (
        <select {...ids} value={value} onChange={({ target }) => onChange(target.value as Value)} className={INPUT}>
          {options.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
