/** What was found on this car and the library does not know of its kind: offered, never taken over by itself. */
import { type OpeningRecord, placeLabel } from '@low-quarry/core/model';
import { differencesOf, OPENING_FIELDS, taughtOpening } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { useMay } from '../../api/me';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { toast } from '../../ui/toast';
import { type SavedVehicle, useSaveVehicle } from './useSaveVehicle';
import { openingCalled } from './vehicleOpeningAddress';
import { vehicleQuery } from './vehicleQueries';

type TeachLibraryProps = {
  readonly vehicleId: string;
  /** As the shop has it of this car. */
  readonly record: OpeningRecord;
};

export function TeachLibrary({ vehicleId, record }: TeachLibraryProps) {
  const mayTeach = useMay('vehicles');
  const { data } = useQuery({ ...vehicleQuery(vehicleId), enabled: mayTeach && vehicleId !== '' });
  return mayTeach && data ? <Offer saved={data} record={record} /> : null;
}

function Offer({ saved, record }: { readonly saved: SavedVehicle; readonly record: OpeningRecord }) {
  const label = placeLabel(record);
  const known = openingCalled(saved.record.openings, label);
  const taught = taughtOpening(known, record);
  const { send, error, isPending } = useSaveVehicle(saved.record, () =>
    toast(`The library knows ${label.toLowerCase()} now as this car has it.`, { canUndo: true }),
  );
  if (taught === known) return null;
  const what = known
    ? differencesOf(OPENING_FIELDS, known, taught).map(({ label: each }) => each.toLowerCase())
    : ['the place itself'];
  const openings = known
    ? saved.record.openings.map((each) => (each === known ? taught : each))
    : [...saved.record.openings, taught];
  return (
    <div className="mt-4 flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p>
        <strong>The library does not know this yet:</strong> {what.join(', ')}. The next car of this kind begins with
        what you take over.
      </p>
      <FormError>{error?.message ?? null}</FormError>
      <Button
        className="scroll-mb-36"
        disabled={isPending}
        onClick={() => send(saved.version, saved.record, { ...saved.record, openings })}
      >
        Take it into the library
      </Button>
    </div>
  );
}
