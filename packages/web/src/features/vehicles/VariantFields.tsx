/** What tells one variant from another, as fields of a form. */
import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import { useController } from 'react-hook-form';
import { Choice } from '../../ui/Choice';
import { FormText } from '../../ui/form/FormText';
import type { VariantTyped } from './typedVehicle';

type VariantFieldsProps<Typed extends FieldValues, Read> = {
  readonly control: Control<Typed, unknown, Read>;
  /** Where the variant is in what is typed: empty, or with a dot at its end. */
  readonly at: string;
  /** Without what is seldom known while the customer waits. */
  readonly isBrief?: boolean;
};

const STEERING = [
  ['left', 'On the left'],
  ['right', 'On the right'],
] as const;

export function VariantFields<Typed extends FieldValues, Read>({
  control,
  at,
  isBrief = false,
}: VariantFieldsProps<Typed, Read>) {
  const name = (path: string) => `${at}${path}` as FieldPath<Typed>;
  const { field } = useController({ control, name: name('steeringSide') });
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <FormText control={control} name={name('make')} label="Make" autoComplete="off" />
        <FormText control={control} name={name('model')} label="Model" autoComplete="off" />
        <FormText
          control={control}
          name={name('years.from')}
          label="Built from, year"
          inputMode="numeric"
          autoComplete="off"
        />
        <FormText
          control={control}
          name={name('years.to')}
          label="To, year"
          hint="Empty while it is built, or where nobody knows."
          inputMode="numeric"
          autoComplete="off"
        />
        <FormText
          control={control}
          name={name('trim')}
          label="Trim"
          hint="Empty until somebody asked."
          autoComplete="off"
        />
        <FormText
          control={control}
          name={name('audioPackage')}
          label="Audio package"
          hint="How many speakers, an amplifier or none."
          autoComplete="off"
        />
        <Choice
          label="Steering wheel"
          value={field.value as VariantTyped['steeringSide']}
          options={STEERING}
          onChange={field.onChange}
        />
        <FormText control={control} name={name('market')} label="Market" hint="Where it was sold." autoComplete="off" />
      </div>
      {!isBrief && (
        <FormText
          control={control}
          name={name('aliases')}
          label="Other names"
          hint="The same car under another name, with commas between."
          autoComplete="off"
        />
      )}
    </>
  );
}
