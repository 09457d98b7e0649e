import type { NewVehicle } from '@low-quarry/core/contracts/newVehicle';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useKept } from '../../ui/useKept';
import { NewVehicleFields } from './NewVehicleFields';
import { emptyVehicle, type NewVehicleTyped, newVehicleTypedSchema, readNewVehicleSchema } from './typedVehicle';
import { useAddVehicle } from './vehicleQueries';

type Typed = { readonly vehicle: NewVehicleTyped };
const keptSchema = z.object({ vehicle: newVehicleTypedSchema });
const schema: z.ZodType<{ vehicle: NewVehicle }, Typed> = z.object({ vehicle: readNewVehicleSchema });
const nothing = (): Typed => ({ vehicle: emptyVehicle('', 'left') });

export function AddVehicleForm() {
  const { state, keep, settle } = useKept<Typed>('newVehicle', keptSchema, nothing);
  const add = useAddVehicle();
  const navigate = useNavigate();
  const problems = useMemo(
    () => fieldProblems(add.error).map((each) => ({ ...each, path: `vehicle.${each.path}` })),
    [add.error],
  );
  const form = useCheckedForm(schema, state, problems);
  useTypedKept(form, keep);
  const submit = form.handleSubmit(({ vehicle }) =>
    add.mutate(vehicle, {
      onSuccess: ({ record }) => {
        settle(nothing());
        void navigate(`/vehicles/${encodeURIComponent(record.id)}`);
      },
    }),
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <NewVehicleFields form={form} at="vehicle" />
      <FormError>{problemSentence(add.error)}</FormError>
      <Button kind="main" type="submit" disabled={add.isPending}>
        {add.isPending ? 'Adding …' : 'Add it to the library'}
      </Button>
    </form>
  );
}
