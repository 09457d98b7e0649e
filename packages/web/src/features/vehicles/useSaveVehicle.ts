/** Saves a vehicle's record on the version it was changed on; what others changed meanwhile is put together, or asked about. */
import { putVehicle } from '@low-quarry/core/contracts/vehicles';
import type { VehicleRecord } from '@low-quarry/core/model';
import { vehicleFields } from '@low-quarry/core/records';
import { useState } from 'react';
import { ProblemError } from '../../api/call';
import { useConflict } from '../../ui/useConflict';
import { usePutVehicle } from './vehicleQueries';

/** What was refused because somebody else wrote it. */
export type NotOurs = { readonly version: number; readonly base: VehicleRecord; readonly record: VehicleRecord };
export type SavedVehicle = { readonly version: number; readonly record: VehicleRecord };

export function useSaveVehicle(id: string, onSaved: (saved: SavedVehicle) => void) {
  const put = usePutVehicle(id);
  const [tried, setTried] = useState<NotOurs | null>(null);
  const conflict = useConflict<VehicleRecord>({
    fieldsOf: vehicleFields,
    read: (current) => putVehicle.answer.safeParse(current).data ?? null,
    save: (version, record, onError) => put.mutate({ version, record }, { onError, onSuccess: onSaved }),
  });
  const send = (version: number, base: VehicleRecord, record: VehicleRecord) => {
    setTried({ version, base, record });
    conflict.send(version, base, record);
  };
  const { error } = put;
  const isNotOurs = error instanceof ProblemError && error.problem.type === '/problems/not-yours';
  return { ...conflict, send, error, isPending: put.isPending, notOurs: isNotOurs ? tried : null };
}
