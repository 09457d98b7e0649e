import type { NewVehicle } from '@low-quarry/core/contracts/newVehicle';
import { addVehicle } from '@low-quarry/core/contracts/vehicles';
import { useMemo, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useMe } from '../../api/me';
import { draftPrefix, readDraftText } from '../../device/drafts';
import { useSent } from '../../outbox/useSent';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { areSaid } from '../../ui/problemFields';
import { useKept } from '../../ui/useKept';
import { NewVehicleFields } from './NewVehicleFields';
import { NEW_VEHICLE_DRAFT } from './newVehicleDraft';
import { emptyVehicle, type NewVehicleTyped, newVehicleTypedSchema, readNewVehicleSchema } from './typedVehicle';

type Typed = { readonly vehicle: NewVehicleTyped };
const keptSchema = z.object({ vehicle: newVehicleTypedSchema });
const schema: z.ZodType<{ vehicle: NewVehicle }, Typed> = z.object({ vehicle: readNewVehicleSchema });
const nothing = (): Typed => ({ vehicle: emptyVehicle('', 'left') });

export function AddVehicleForm() {
  const { state, keep, settle } = useKept<Typed>(NEW_VEHICLE_DRAFT, keptSchema, nothing);
  const { id: personId } = useMe();
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const navigate = useNavigate();
  const { isSending, refusal, problems, send } = useSent((answered) => {
    settle(nothing());
    const answer = addVehicle.answer.safeParse(answered);
    if (answer.success) void navigate(`/vehicles/${encodeURIComponent(answer.data.record.id)}`);
  });
  const refused = useMemo(() => problems.map((each) => ({ ...each, path: `vehicle.${each.path}` })), [problems]);
  const form = useCheckedForm(schema, state, refused);
  useTypedKept(form, keep);
  const submit = form.handleSubmit(({ vehicle }) => {
    const draft = readDraftText(`${draftPrefix(personId)}${NEW_VEHICLE_DRAFT}`) ?? '';
    send({ kind: 'addVehicle', label: `${vehicle.make} ${vehicle.model}`, vehicle, draft });
  });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <NewVehicleFields form={form} at="vehicle" />
      <FormError>{refusal && !areSaid(refused, state) ? `Not added: ${refusal.message}` : null}</FormError>
      {isSending && away && (
        <p role="status" className="font-semibold text-measure">
          The server does not answer. It is in the library as soon as it is back, once; you can close this.
        </p>
      )}
      <Button kind="main" type="submit" disabled={isSending}>
        {isSending ? 'Adding …' : 'Add it to the library'}
      </Button>
    </form>
  );
}
