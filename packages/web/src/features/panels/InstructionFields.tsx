/** What others wrote of how the panel comes off, each rated by who worked by it here. */
import { RATING_LABELS } from '@low-quarry/core/model';
import { useController, useFieldArray } from 'react-hook-form';
import { useMe } from '../../api/me';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FormText } from '../../ui/form/FormText';
import { newId } from '../../ui/newId';
import type { PanelControl } from './typedPanel';

const MOST = 10;
const RATINGS = [['', 'Nobody here has worked by it'], ...Object.entries(RATING_LABELS)] as const;

export function InstructionFields({ control }: { readonly control: PanelControl }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'instructions' });
  return (
    <section aria-label="Instructions" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">Instructions</h2>
      {fields.length === 0 && (
        <p className="text-muted">
          A page of the maker’s manual, a sheet, an address: whoever takes the panel off is led there.
        </p>
      )}
      {fields.map(({ id }, at) => (
        <fieldset key={id} className="flex flex-col gap-3 border-l-4 border-hairline pl-3">
          <legend className="sr-only">Instruction {at + 1}</legend>
          <FormText control={control} name={`instructions.${at}.title`} label="What it is" autoComplete="off" />
          <FormText
            control={control}
            name={`instructions.${at}.where`}
            label="Where it is"
            hint="An address that begins with https, or a page."
            autoComplete="off"
          />
          <Rated control={control} at={at} />
          <Button kind="quiet" className="self-start" onClick={() => remove(at)}>
            Take instruction {at + 1} off
          </Button>
        </fieldset>
      ))}
      {fields.length < MOST && (
        <Button
          className="self-start"
          onClick={() => append({ key: newId(), title: '', where: '', rated: null, by: '' })}
        >
          Add an instruction
        </Button>
      )}
    </section>
  );
}

/** Who rates it is who is signed in. */
function Rated({ control, at }: { readonly control: PanelControl; readonly at: number }) {
  const { name } = useMe();
  const rated = useController({ control, name: `instructions.${at}.rated` });
  const by = useController({ control, name: `instructions.${at}.by` });
  return (
    <Choice
      label="How it did here"
      value={rated.field.value ?? ''}
      options={RATINGS}
      hint={rated.field.value ? `Says ${by.field.value}.` : ''}
      onChange={(value) => {
        rated.field.onChange(value === '' ? null : value);
        by.field.onChange(value === '' ? '' : name);
      }}
    />
  );
}
