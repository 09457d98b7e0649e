/** What this car has, or has not, otherwise than its variant is known to have: offered to the library, never taken over by itself. */
import { type Baseline, functionLabel, functionsOf, functionsTried } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { toast } from '../../ui/toast';
import { type SavedVehicle, useSaveVehicle } from '../vehicles/useSaveVehicle';
import { vehicleQuery } from '../vehicles/vehicleQueries';

type TeachFunctionsProps = {
  readonly vehicleId: string;
  /** As the shop has it. */
  readonly baseline: Baseline;
};

export function TeachFunctions({ vehicleId, baseline }: TeachFunctionsProps) {
  const { data } = useQuery(vehicleQuery(vehicleId));
  return data ? <Offer saved={data} baseline={baseline} /> : null;
}

function Offer({ saved, baseline }: { readonly saved: SavedVehicle; readonly baseline: Baseline }) {
  const { send, error, isPending } = useSaveVehicle(saved.record, () =>
    toast('The library knows now what such a car has.', { canUndo: true }),
  );
  const known = functionsOf(saved.record);
  const found = functionsTried(saved.record, baseline).filter((key) => baseline.functions[key]?.state !== 'notThere');
  const more = found.filter((key) => !known.includes(key));
  const fewer = known.filter((key) => !found.includes(key));
  if (more.length + fewer.length === 0) return null;
  const named = (keys: readonly string[]) => keys.map((key) => functionLabel(key).toLowerCase()).join('; ');
  return (
    <div className="flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p>
        <strong>The library does not know this yet.</strong>{' '}
        {more.length > 0 && <>This car has besides: {named(more)}. </>}
        {fewer.length > 0 && <>It has not: {named(fewer)}. </>}
        The next car of this kind begins with what you take over.
      </p>
      <FormError>{error?.message ?? null}</FormError>
      <Button
        disabled={isPending}
        onClick={() => send(saved.version, saved.record, { ...saved.record, functions: [...found] })}
      >
        Take it into the library
      </Button>
    </div>
  );
}
