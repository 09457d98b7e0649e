/** How it sounded before the work, at volume steps that are listened to again after it. */
import { MOST_LISTENED } from '@low-quarry/core/model';
import { useFieldArray } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { FormText } from '../../ui/form/FormText';
import type { BaselineControl } from './typedBaseline';

const NOTHING_HEARD = { volume: '', source: '', road: '', kmh: '', seat: '', words: '' };

type ListeningFieldsProps = { readonly control: BaselineControl; readonly isLocked: boolean };

export function ListeningFields({ control, isLocked }: ListeningFieldsProps) {
  const { fields, append, remove } = useFieldArray({ control, name: 'listening' });
  const last = fields.length - 1;
  return (
    <section aria-label="Listening notes" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">How it sounds</h2>
      <p className="text-[13px] leading-4 text-muted">
        Two or three volume steps, standing and driving. Only what was heard before can be compared afterwards: the same
        steps come back at hand-over.
      </p>
      {fields.map(({ id }, at) => (
        <fieldset key={id} className="grid grid-cols-2 gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-3">
          <legend className="mb-1 font-semibold">Note {at + 1}</legend>
          <FormText control={control} name={`listening.${at}.volume`} label="Volume as shown" autoComplete="off" />
          <FormText control={control} name={`listening.${at}.source`} label="Source" hint="Radio, stick, phone." />
          <FormText control={control} name={`listening.${at}.road`} label="Where" hint="In the yard, which road." />
          <FormText
            control={control}
            name={`listening.${at}.kmh`}
            label="Speed, km/h"
            inputMode="numeric"
            autoComplete="off"
          />
          <FormText control={control} name={`listening.${at}.seat`} label="Seat" autoComplete="off" />
          <div className="col-span-2 sm:col-span-3">
            <FormText control={control} name={`listening.${at}.words`} label="What was heard" autoComplete="off" />
          </div>
          {!isLocked && (
            <Button kind="quiet" className="justify-self-start" onClick={() => remove(at)}>
              Take note {at + 1} off
            </Button>
          )}
        </fieldset>
      ))}
      {!isLocked && last + 1 < MOST_LISTENED && (
        <Button className="self-start" onClick={() => append(NOTHING_HEARD)}>
          Add a listening note
        </Button>
      )}
    </section>
  );
}
