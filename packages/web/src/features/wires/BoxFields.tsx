/** How large a box is, in which of the vehicle's spaces it lies, and what holds it: of a crossover as of any other. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import { FormChoice } from '../../ui/form/FormChoice';
import { FormText } from '../../ui/form/FormText';

type BoxFieldsProps<Typed extends FieldValues, Read> = {
  readonly control: Control<Typed, unknown, Read>;
  readonly path: string;
};

export function BoxSize<Typed extends FieldValues, Read>({
  control,
  path,
  example,
}: BoxFieldsProps<Typed, Read> & { readonly example: string }) {
  return (
    <div className="col-span-2">
      <FormText
        control={control}
        name={`${path}.box` as FieldPath<Typed>}
        label="Its box, mm"
        hint={`Length × width × height: ${example}.`}
        autoComplete="off"
      />
    </div>
  );
}

export function BoxSpace<Typed extends FieldValues, Read>({
  control,
  path,
  job,
}: BoxFieldsProps<Typed, Read> & { readonly job: Job }) {
  const spaces = spaceOptions(job);
  return (
    <div className="col-span-2">
      <FormChoice
        control={control}
        name={`${path}.space` as FieldPath<Typed>}
        label="In the vehicle’s space"
        options={spaces}
        none="None chosen"
        {...(Object.keys(spaces).length === 0 ? { hint: 'None is noted with the vehicle.' } : {})}
      />
    </div>
  );
}

export function HeldBy<Typed extends FieldValues, Read>({
  control,
  path,
  hint,
}: BoxFieldsProps<Typed, Read> & { readonly hint: string }) {
  return (
    <div className="col-span-2 sm:col-span-4">
      <FormText
        control={control}
        name={`${path}.heldBy` as FieldPath<Typed>}
        label="Held by"
        hint={hint}
        autoComplete="off"
        maxLength={120}
      />
    </div>
  );
}

/** What was chosen stays to be seen, though the vehicle has it no more. */
function spaceOptions({ vehicle: { spaces }, crossovers, stowed }: Job): Readonly<Record<string, string>> {
  const names = [...(spaces ?? []), ...[...crossovers, ...stowed].map(({ space }) => ({ name: space }))]
    .map(({ name }) => name)
    .filter((name) => name !== '');
  return Object.fromEntries(names.map((name) => [name, name]));
}
