/** A vehicle that the library does not know: what its record begins with, and what tells it from others. */
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { PLACE_LABELS, SET_BACK_WORDS, vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import type { Control, FieldPath, FieldPathValue, FieldValues, UseFormReturn } from 'react-hook-form';
import { useController } from 'react-hook-form';
import { Field, INPUT } from '../../ui/Field';
import { Answered } from '../../ui/states';
import { CarriedOverDoubts } from './CarriedOverDoubts';
import { type NewVehicleTyped, onTemplate, readYears } from './typedVehicle';
import { VariantFields } from './VariantFields';
import { templatesQuery, useVehicle } from './vehicleQueries';

type NewVehicleFieldsProps<Typed extends FieldValues, Read> = {
  readonly form: UseFormReturn<Typed, unknown, Read>;
  readonly at: FieldPath<Typed>;
};

export function NewVehicleFields<Typed extends FieldValues, Read>({ form, at }: NewVehicleFieldsProps<Typed, Read>) {
  const { control, setValue, watch } = form;
  const typed = watch(at) as NewVehicleTyped;
  return (
    <div className="flex flex-col gap-3">
      {typed.from.kind === 'template' ? (
        <TemplateField
          control={control}
          name={`${at}.from.templateId` as FieldPath<Typed>}
          onPick={(template) =>
            setValue(at, onTemplate(typed, template) as FieldPathValue<Typed, typeof at>, { shouldDirty: true })
          }
        />
      ) : (
        <OtherTrimNote vehicleId={typed.from.vehicleId} typed={typed} />
      )}
      <VariantFields control={control} at={`${at}.`} isBrief />
    </div>
  );
}

function TemplateField<Typed extends FieldValues, Read>({
  control,
  name,
  onPick,
}: {
  readonly control: Control<Typed, unknown, Read>;
  readonly name: FieldPath<Typed>;
  readonly onPick: (template: ListedTemplate) => void;
}) {
  const templates = useQuery(templatesQuery);
  const { field, fieldState } = useController({ control, name });
  return (
    <Answered query={templates} what="the bodies">
      {({ templates: all }) => {
        const chosen = all.find(({ id }) => id === field.value);
        return (
          <Field
            label="Body"
            error={fieldState.error?.message}
            hint={
              chosen ? `Usual for it: ${placesOf(chosen)}.` : 'It gives the openings that are usual, to be looked at.'
            }
          >
            {(ids) => (
              <select
                {...ids}
                ref={field.ref}
                value={field.value ?? ''}
                onBlur={field.onBlur}
                onChange={({ target }) => {
                  const template = all.find(({ id }) => id === target.value);
                  if (template) onPick(template);
                }}
                className={INPUT}
              >
                <option value="" disabled>
                  Choose a body
                </option>
                {all.map(({ id, template }) => (
                  <option key={id} value={id}>
                    {template.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
        );
      }}
    </Answered>
  );
}

/** "front door 2, rear deck 2". */
function placesOf({ template }: ListedTemplate): string {
  return template.openings
    .map(({ place, sides }) => `${PLACE_LABELS[place].toLowerCase()}${sides.length > 1 ? ` ${sides.length}` : ''}`)
    .join(', ');
}

function OtherTrimNote({ vehicleId, typed }: { readonly vehicleId: string; readonly typed: NewVehicleTyped }) {
  const from = useVehicle(vehicleId);
  return (
    <div className="flex flex-col gap-2 border-l-4 border-measure bg-paper px-3 py-2">
      <p>
        Begins as {from ? vehicleLabel(from) : 'the one that was chosen'}, with its measurements carried over. Set back
        to “not looked”: {SET_BACK_WORDS}.
      </p>
      <CarriedOverDoubts fromId={vehicleId} now={{ ...typed, years: readYears(typed.years) }} />
    </div>
  );
}
