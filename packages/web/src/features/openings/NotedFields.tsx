/** Where an opening is and what is there, as fields of a form: for one more place of a car or of a variant. */
import { PLACE_LABELS, type Place, PRESENCES, SIDES } from '@low-quarry/core/model';
import type { Control, FieldPath, FieldPathValue } from 'react-hook-form';
import { useController } from 'react-hook-form';
import { PRESENCE_WORDS } from '../../text/words';
import { Choice } from '../../ui/Choice';
import { FormText } from '../../ui/form/FormText';
import type { NotedOpening } from './notedOpening';

const PLACES = Object.keys(PLACE_LABELS) as Place[];
const SIDE_WORDS = { left: 'Left', right: 'Right', centre: 'In the middle' } as const;

type Pick1<Key extends FieldPath<NotedOpening>> = {
  readonly control: Control<NotedOpening>;
  readonly name: Key;
  readonly label: string;
  readonly options: readonly (readonly [FieldPathValue<NotedOpening, Key> & string, string])[];
};

function FormChoice<Key extends FieldPath<NotedOpening>>({ control, name, label, options }: Pick1<Key>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Choice
      label={label}
      value={field.value as FieldPathValue<NotedOpening, Key> & string}
      options={options}
      error={fieldState.error?.message ?? null}
      onChange={field.onChange}
    />
  );
}

export function NotedFields({ control }: { readonly control: Control<NotedOpening> }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <FormChoice
        control={control}
        name="place"
        label="Place"
        options={PLACES.map((each) => [each, PLACE_LABELS[each]])}
      />
      <FormChoice control={control} name="side" label="Side" options={SIDES.map((each) => [each, SIDE_WORDS[each]])} />
      <FormText
        control={control}
        name="name"
        label="Called"
        hint="What tells it from another one there: woofer, first row."
        maxLength={40}
        autoComplete="off"
      />
      <FormText
        control={control}
        name="nominalSize"
        label="Made for size"
        hint="Such as 6.5 in; empty where nobody knows."
        maxLength={20}
        autoComplete="off"
      />
      <div className="col-span-2">
        <FormChoice
          control={control}
          name="presence"
          label="What is there"
          options={PRESENCES.map((each) => [each, PRESENCE_WORDS[each]])}
        />
      </div>
    </div>
  );
}
