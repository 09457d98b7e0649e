/** Saves a vehicle's record on the version it was changed on; what others changed meanwhile is put together, or asked about. */
import { type VehicleRecord, vehicleLabel } from '@low-quarry/core/model';
import { useState } from 'react';
import { ProblemError } from '../../api/call';
import type { Versioned } from '../../outbox/saved/SavedKind';
import { savedVehicle } from '../../outbox/saved/savedVehicle';
import { type Form, useSavedRecord } from '../../outbox/useSavedRecord';

/** What was refused because somebody else wrote it. */
export type NotOurs = Versioned<VehicleRecord> & { readonly base: VehicleRecord };
export type SavedVehicle = Versioned<VehicleRecord>;

/** @param form null for a button or a sheet, of which nothing is kept */
export function useSaveVehicle(
  record: VehicleRecord,
  onSaved: (saved: SavedVehicle) => void,
  form: Form<VehicleRecord> | null = null,
) {
  const { send: sendRecord, ...saving } = useSavedRecord({
    kind: savedVehicle,
    recordId: record.id,
    label: vehicleLabel(record),
    form,
    onSaved,
  });
  const [tried, setTried] = useState<NotOurs | null>(null);
  const send = (version: number, base: VehicleRecord, next: VehicleRecord) => {
    setTried({ version, base, record: next });
    sendRecord(version, base, next);
  };
  const { error, handedOver } = saving;
  const isNotOurs = error instanceof ProblemError && error.problem.type === '/problems/not-yours';
  return { ...saving, send, notOurs: isNotOurs ? (handedOver ?? tried) : null };
}
