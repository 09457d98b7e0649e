/** What this part is called, by its maker and by others, and whether it is still made. */
import { type PartRecord, partName } from '@low-quarry/core/catalogue';
import { useQuery } from '@tanstack/react-query';
import { useController } from 'react-hook-form';
import { catalogueQuery } from '../../catalogue/catalogueQueries';
import { ComboField } from '../../ui/ComboField';
import { FormArea } from '../../ui/form/FormArea';
import { FormText } from '../../ui/form/FormText';
import { Tick } from '../../ui/Tick';
import { PartForm } from './PartForm';
import { namesTypedSchema, readNamesSchema, toNamesTyped } from './typedNames';
import { type PartFormProps, usePartForm } from './usePartForm';

const NONE = { value: '', label: 'None that is known' };

export function NamesForm(part: PartFormProps) {
  const { control, frame } = usePartForm({
    ...part,
    ...{ name: 'names', typedSchema: namesTypedSchema, readSchema: readNamesSchema, toTyped: toNamesTyped },
    saved: 'What it is called is saved.',
  });
  const isDiscontinued = useController({ control, name: 'isDiscontinued' });
  const replacedBy = useController({ control, name: 'replacedBy' });
  const catalogue = useQuery(catalogueQuery);
  return (
    <PartForm frame={frame} save="Save what it is called">
      <div className="grid gap-x-3 gap-y-1 sm:grid-cols-3">
        <FormText control={control} name="maker" label="Maker" autoComplete="off" />
        <FormText control={control} name="name" label="Name" autoComplete="off" />
        <FormText
          control={control}
          name="number"
          label="Maker’s number"
          hint="Empty where nobody wrote it down."
          autoComplete="off"
        />
      </div>
      <FormArea
        control={control}
        name="aliases"
        label="Other names and numbers"
        hint="One a line: it is found by each."
        rows={2}
      />
      <Tick
        label="No longer made"
        isOn={isDiscontinued.field.value}
        onChange={(isOn) => isDiscontinued.field.onChange(isOn)}
      />
      {isDiscontinued.field.value && (
        <ComboField
          label="What took its place"
          value={replacedBy.field.value}
          options={[NONE, ...sameKind(part.record, catalogue.data?.listed.all() ?? [])]}
          onChange={(id) => replacedBy.field.onChange(id)}
        />
      )}
    </PartForm>
  );
}

type Listed = Pick<PartRecord, 'id' | 'kind' | 'maker' | 'name'>;

function sameKind({ id, kind }: PartRecord, all: readonly Listed[]) {
  return all
    .filter((each) => each.kind === kind && each.id !== id)
    .map((each) => ({ value: each.id, label: partName(each) }));
}
