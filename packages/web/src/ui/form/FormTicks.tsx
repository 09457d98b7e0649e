/** Several of a list, in its order. */
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { Tick } from '../Tick';

type FormTicksProps<Typed extends FieldValues, Read> = {
  readonly control: Control<Typed, unknown, Read>;
  /** Of a list of strings. */
  readonly name: FieldPath<Typed>;
  readonly legend: string;
  /** Each with its words, where the value is none. */
  readonly options: readonly string[] | Readonly<Record<string, string>>;
};

function isList(options: FormTicksProps<FieldValues, unknown>['options']): options is readonly string[] {
  return Array.isArray(options);
}

export function FormTicks<Typed extends FieldValues, Read>({
  control,
  name,
  legend,
  options,
}: FormTicksProps<Typed, Read>) {
  const { field, fieldState } = useController({ control, name });
  const ticked: readonly string[] = field.value;
  // What is ticked and no longer offered stays until somebody takes it off.
  const words: Readonly<Record<string, string>> = isList(options)
    ? Object.fromEntries(options.map((each) => [each, each]))
    : options;
  const all = [...Object.keys(words), ...ticked.filter((each) => !(each in words))];
  const set = (option: string, isOn: boolean) =>
    field.onChange(all.filter((each) => (each === option ? isOn : ticked.includes(each))));
  return (
    <fieldset className="flex flex-col">
      <legend className="font-semibold">{legend}</legend>
      {all.map((option) => (
        <Tick
          key={option}
          label={words[option] ?? option}
          isOn={ticked.includes(option)}
          onChange={(isOn) => set(option, isOn)}
        />
      ))}
      {fieldState.error?.message && <p className="text-hits">{fieldState.error.message}</p>}
    </fieldset>
  );
}
