/** Which surfaces are quieted, with what, and what stays open. */
import { DEADENING_MATERIALS } from '@low-quarry/core/catalogue';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { PANEL_LABELS, PANEL_SPOT_LABELS, QUIETED_AREAS, QUIETED_SPOTS } from '@low-quarry/core/model';
import { type FieldPath, type UseFormReturn, useFieldArray } from 'react-hook-form';
import { savedQuieted, type WithQuieted } from '../../../outbox/saved/savedQuieted';
import { Button } from '../../../ui/Button';
import { AskedText } from '../../../ui/form/AskedText';
import { FormArea } from '../../../ui/form/FormArea';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { JobListForm } from '../../wires/JobListForm';
import { SurfaceMarks } from './SurfaceMarks';
import { type QuietingTyped, quietingTypedSchema, readQuietingSchema, toQuietingTyped } from './typedQuieting';

const MOST = 16;
const MATERIALS = Object.fromEntries(DEADENING_MATERIALS.map((material) => [material, material]));
const SPOTS = { ...PANEL_SPOT_LABELS, middle: 'in the middle' };
const NEW: QuietingTyped['quieted'][number] = {
  ...{ name: '', kind: 'doorCard', spot: 'frontLeft', area: 'behindSpeaker', material: 'butyl' },
  ...{ lengthMm: '', widthMm: '', thicknessMm: '2', staysOpen: null, blocked: null },
  ...{ spots: '', sheetLengthMm: '', sheetWidthMm: '', marked: '' },
};

export function QuietingForm({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  return (
    <JobListForm<QuietingTyped, WithQuieted>
      job={job}
      what="quieted surfaces"
      kind={savedQuieted}
      of={({ quieted }) => ({ quieted })}
      toTyped={({ quieted }) => toQuietingTyped(quieted)}
      typed={quietingTypedSchema}
      read={readQuietingSchema}
      onDone={onDone}
    >
      {(form) => <Surfaces form={form} />}
    </JobListForm>
  );
}

function Surfaces({
  form: { control, setValue },
}: {
  readonly form: UseFormReturn<QuietingTyped, unknown, WithQuieted>;
}) {
  const { fields, append, remove } = useFieldArray({ control, name: 'quieted' });
  return (
    <>
      {fields.map(({ id }, at) => {
        const path = (name: string) => `quieted.${at}.${name}` as FieldPath<QuietingTyped>;
        const text = (name: string, label: string, hint?: string) => (
          <FormText control={control} name={path(name)} label={label} hint={hint} autoComplete="off" />
        );
        return (
          <fieldset key={id} className="grid grid-cols-2 gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-4">
            <legend className="sr-only">surface {at + 1}</legend>
            <div className="col-span-2">{text('name', 'Called', 'Left door, outer skin.')}</div>
            <FormChoice control={control} name={path('area')} label="What of it" options={QUIETED_AREAS} />
            <FormChoice control={control} name={path('material')} label="With" options={MATERIALS} />
            <FormChoice control={control} name={path('kind')} label="Behind which panel" options={PANEL_LABELS} />
            <FormChoice control={control} name={path('spot')} label="Where that is" options={SPOTS} />
            {text('thicknessMm', 'Thickness, mm', '50 mil are 1.3 mm.')}
            <span className="hidden sm:block" />
            {text('sheetLengthMm', 'A sheet is long, mm', 'As it is sold: sheets are counted by it.')}
            {text('sheetWidthMm', 'A sheet is wide, mm')}
            {text('lengthMm', 'Long, mm', 'As far as a hand reaches.')}
            {text('widthMm', 'Wide, mm')}
            <div className="col-span-2 sm:col-span-4">
              <AskedText
                control={control}
                name={path('staysOpen')}
                label="What stays open there"
                hint="Drains, holes of clips and screws, wires, what moves."
                nothing="Looked: nothing has to stay open"
                notAsked="not looked"
              />
            </div>
            <div className="col-span-2 sm:col-span-4">
              <AskedText
                control={control}
                name={path('blocked')}
                label="What keeps a hand away"
                hint="A skin that stays riveted, a beam, a bar."
                nothing="Looked: all of it is reached"
                notAsked="not looked"
              />
            </div>
            <div className="col-span-2">
              <FormArea
                control={control}
                name={path('spots')}
                label="What stands on it, mm"
                hint={`One a line: ${Object.keys(QUIETED_SPOTS).join(', ')}; then to the right; upwards from its lower left corner; long; wide. drain; 120; 40; 20; 20`}
                rows={5}
              />
            </div>
            <div className="col-span-2">
              <SurfaceMarks
                control={control}
                at={at}
                onMark={(marked) =>
                  setValue(`quieted.${at}.marked`, marked, { shouldDirty: true, shouldValidate: true })
                }
              />
            </div>
            <Button kind="quiet" className="col-span-2 justify-self-start sm:col-span-4" onClick={() => remove(at)}>
              Take surface {at + 1} off
            </Button>
          </fieldset>
        );
      })}
      {fields.length < MOST && (
        <Button className="self-start" onClick={() => append(NEW)}>
          Add a surface
        </Button>
      )}
    </>
  );
}
