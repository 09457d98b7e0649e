/** Saves a vehicle's record on the version it was changed on; what others changed meanwhile is put together, or asked about. */
import { putVehicle } from '@low-quarry/core/contracts/vehicles';
import type { VehicleRecord } from '@low-quarry/core/model';
import { vehicleFields } from '@low-quarry/core/records';
import { useConflict } from '../../ui/useConflict';
import { usePutVehicle } from './vehicleQueries';

export type SavedVehicle = { readonly version: number; readonly record: VehicleRecord };

export function useSaveVehicle(id: string, onSaved: (saved: SavedVehicle) => void) {
  const put = usePutVehicle(id);
  const conflict = useConflict<VehicleRecord>({
    fieldsOf: vehicleFields,
    read: (current) => putVehicle.answer.safeParse(current).data ?? null,
    save: (version, record, onError) => put.mutate({ version, record }, { onError, onSuccess: onSaved }),
  });
  return { ...conflict, error: put.error, isPending: put.isPending };
}
