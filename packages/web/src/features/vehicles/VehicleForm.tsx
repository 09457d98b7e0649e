/** What tells this variant from others, to be put right. */
import { type VehicleRecord, vehicleSchema } from '@low-quarry/core/model';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { FormArea } from '../../ui/form/FormArea';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { DisputeOffer } from './DisputeOffer';
import { readVariantSchema, toVariantTyped, variantTypedSchema } from './typedVehicle';
import { useSaveVehicle } from './useSaveVehicle';
import { VariantFields } from './VariantFields';

const typedSchema = z.object({ record: variantTypedSchema, note: z.string() });
type Typed = z.infer<typeof typedSchema>;
const draftSchema = z.object({ version: z.int(), base: vehicleSchema, typed: typedSchema });
type Draft = z.infer<typeof draftSchema>;
const readSchema = z.object({
  record: readVariantSchema,
  note: z.string().max(1000, 'Type at most 1000 characters.'),
});

function toDraft(version: number, record: VehicleRecord): Draft {
  const { id: _id, beganAs: _began, openings: _openings, note, ...variant } = record;
  return { version, base: record, typed: { record: toVariantTyped(variant), note } };
}

export function VehicleForm({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const { state, keep, settle, isTouched, broughtBack } = useKept(`vehicle.${record.id}`, draftSchema, () =>
    toDraft(version, record),
  );
  const mayChange = useMay('vehicles');
  const show = (draft: Draft) => {
    settle(draft);
    reset(draft.typed);
  };
  const { theirs, panel, send, drop, error, notOurs, isPending, handedOver } = useSaveVehicle(
    record,
    (saved) => {
      show(toDraft(saved.version, saved.record));
      toast('The vehicle is saved.', { canUndo: true });
    },
    { name: `vehicle.${record.id}`, onWaits: (base) => keep({ ...state, base }) },
  );
  const form = useCheckedForm<Typed, z.output<typeof readSchema>>(readSchema, state.typed, fieldProblems(error));
  const { control, handleSubmit, reset } = form;
  useTypedKept(form, (typed) => keep({ ...state, typed }));
  useFollow(version, isTouched, () => show(toDraft(version, record)));
  return (
    <form
      onSubmit={handleSubmit(({ record: variant, note }) =>
        send(state.version, state.base, { ...state.base, ...variant, note }),
      )}
      className="flex flex-col gap-3"
      noValidate
    >
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(toDraft(version, record))} />
      <VariantFields control={control} at="record." />
      <FormArea control={control} name="note" label="Note" rows={2} />
      <FormError>{panel ? null : problemSentence(error, state.typed)}</FormError>
      <DisputeOffer refused={notOurs} onNoted={(now) => show(toDraft(now.version, now.record))} />
      {panel && (
        <ConflictPanel
          what="this vehicle"
          {...panel}
          onTakeTheirs={() => {
            drop();
            show(theirs ? toDraft(theirs.version, theirs.record) : toDraft(version, record));
          }}
        />
      )}
      <Button kind="main" type="submit" className="self-start" disabled={isPending || !mayChange}>
        {isPending ? 'Saving …' : 'Save the vehicle'}
      </Button>
    </form>
  );
}
