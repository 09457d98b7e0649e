/** What else is put into the car, and where each of it goes. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { STOWED_LABELS } from '@low-quarry/core/model';
import {
  type Control,
  type FieldPath,
  type UseFormReturn,
  useController,
  useFieldArray,
  useWatch,
} from 'react-hook-form';
import { savedStowed, type WithStowed } from '../../../outbox/saved/savedStowed';
import { Button } from '../../../ui/Button';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { Tick } from '../../../ui/Tick';
import { BoxSize, BoxSpace, HeldBy } from '../BoxFields';
import { JobListForm } from '../JobListForm';
import { type BoxesTyped, boxesTypedSchema, EMPTY_BOX, readBoxesSchema, toBoxesTyped } from './typedBoxes';

const MOST = 8;

export function BoxesForm({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  return (
    <JobListForm<BoxesTyped, WithStowed>
      job={job}
      what="boxes"
      kind={savedStowed}
      of={({ stowed }) => ({ stowed })}
      toTyped={({ stowed }) => toBoxesTyped(stowed)}
      typed={boxesTypedSchema}
      read={readBoxesSchema}
      onDone={onDone}
    >
      {(form) => <BoxList form={form} job={job} />}
    </JobListForm>
  );
}

type BoxListProps = { readonly form: UseFormReturn<BoxesTyped, unknown, WithStowed>; readonly job: Job };

function BoxList({ form: { control }, job }: BoxListProps) {
  const { fields, append, remove } = useFieldArray({ control, name: 'stowed' });
  return (
    <>
      {fields.map(({ id }, at) => (
        <fieldset key={id} className="grid grid-cols-2 gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-4">
          <legend className="sr-only">box {at + 1}</legend>
          <BoxFields control={control} path={`stowed.${at}`} job={job} />
          <Button kind="quiet" className="col-span-2 justify-self-start sm:col-span-4" onClick={() => remove(at)}>
            Take box {at + 1} off
          </Button>
        </fieldset>
      ))}
      {fields.length < MOST && (
        <Button className="self-start" onClick={() => append(EMPTY_BOX)}>
          Add a box
        </Button>
      )}
    </>
  );
}

type FieldsProps = {
  readonly control: Control<BoxesTyped, unknown, WithStowed>;
  readonly path: string;
  readonly job: Job;
};
const at = (path: string, name: string) => `${path}.${name}` as FieldPath<BoxesTyped>;

function BoxFields({ control, path, job }: FieldsProps) {
  const { field: later } = useController({ control, name: at(path, 'isLater') });
  const isAmplifier = useWatch({ control, name: at(path, 'kind') }) === 'amplifier';
  return (
    <>
      <div className="col-span-2">
        <FormText control={control} name={at(path, 'name')} label="Called" hint="Amplifier." autoComplete="off" />
      </div>
      <div className="col-span-2">
        <FormChoice control={control} name={at(path, 'kind')} label="What it is" options={STOWED_LABELS} />
      </div>
      <BoxSize control={control} path={path} example="240 × 160 × 52" />
      <BoxSpace control={control} path={path} job={job} />
      {isAmplifier && (
        <div className="col-span-2">
          <FormText
            control={control}
            name={at(path, 'rmsW')}
            label="Gives, W RMS"
            hint="All of its channels together: its cable and fuse follow."
            autoComplete="off"
          />
        </div>
      )}
      <HeldBy
        control={control}
        path={path}
        hint="Screws into what is no tank and no wire; the maker’s own threads. It must not fly in a crash."
      />
      <div className="col-span-2 sm:col-span-4">
        <Tick label="It comes later: its room is kept free" isOn={Boolean(later.value)} onChange={later.onChange} />
      </div>
    </>
  );
}
