import { newOpening, notedOpeningSchema, placeLabel, type VehicleRecord } from '@low-quarry/core/model';
import { useState } from 'react';
import type { z } from 'zod';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { NotedFields } from '../openings/NotedFields';
import { FIRST_NOTED, type NotedOpening } from '../openings/notedOpening';
import { useSaveVehicle } from './useSaveVehicle';
import { openingCalled } from './vehicleOpeningAddress';

const NO_FIELDS: never[] = [];

export function AddVehicleOpeningForm({
  version,
  record,
  onDone,
}: {
  readonly version: number;
  readonly record: VehicleRecord;
  readonly onDone: () => void;
}) {
  // What was begun with stays what it was, also when somebody else saves meanwhile.
  const [begun] = useState({ version, record });
  const schema = notedOpeningSchema as z.ZodType<NotedOpening, NotedOpening>;
  const { control, handleSubmit, watch } = useCheckedForm(schema, FIRST_NOTED, NO_FIELDS);
  const { send, error, isPending } = useSaveVehicle(record, onDone);
  const label = placeLabel(watch());
  const isDouble = openingCalled(record.openings, label) !== null;
  const submit = handleSubmit((noted) =>
    send(begun.version, begun.record, { ...begun.record, openings: [...begun.record.openings, newOpening(noted)] }),
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <NotedFields control={control} />
      {isDouble && (
        <p className="font-semibold text-measure">
          {label} is there already: give this one a name of its own, such as “upper” or “woofer”.
        </p>
      )}
      <FormError>{error?.message ?? null}</FormError>
      <Button kind="main" type="submit" disabled={isPending || isDouble}>
        {isPending ? 'Adding …' : `Add ${label.toLowerCase()}`}
      </Button>
    </form>
  );
}
