/** What a variant is known to have besides what is measured. */
import { carFactsSchema, type VehicleRecord, vehicleSchema } from '@low-quarry/core/model';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useFollow } from '../../ui/form/useFollow';
import { problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { DisputeOffer } from '../vehicles/DisputeOffer';
import { type SavedVehicle, useSaveVehicle } from '../vehicles/useSaveVehicle';
import { FactsFields } from './FactsFields';

const draftSchema = z.object({ version: z.int(), base: vehicleSchema, facts: carFactsSchema });
type Draft = z.output<typeof draftSchema>;

/** None of its fields says what was refused: the sentence names it. */
const NO_FIELDS = {};

function toDraft({ version, record }: SavedVehicle): Draft {
  return { version, base: record, facts: record.facts };
}

export function VehicleFacts({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const saved = { version, record };
  const kept = useKept<Draft>(`facts.${record.id}`, draftSchema, () => toDraft(saved));
  const { state, keep, settle, isTouched, broughtBack } = kept;
  const mayChange = useMay('vehicles');
  const { panel, send, drop, error, notOurs, isPending, handedOver } = useSaveVehicle(
    record,
    (now) => {
      settle(toDraft(now));
      toast('What is known of it is saved.', { canUndo: true });
    },
    { name: `facts.${record.id}`, onWaits: (base) => keep({ ...state, base }) },
  );
  useFollow(version, isTouched, () => settle(toDraft(saved)));
  return (
    <section aria-label="What is known of it" className="flex flex-col gap-4">
      <h2>
        What is known of it <span className="font-normal text-muted">besides what is measured</span>
      </h2>
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => settle(toDraft(saved))} />
      <FactsFields
        facts={state.facts}
        variant={null}
        isLocked={!mayChange}
        onChange={(facts) => keep({ ...state, facts })}
      />
      <FormError>{panel ? null : problemSentence(error, NO_FIELDS)}</FormError>
      <DisputeOffer refused={notOurs} onNoted={(now) => settle(toDraft(now))} />
      {panel && (
        <ConflictPanel
          what="this vehicle"
          {...panel}
          onTakeTheirs={() => {
            drop();
            settle(toDraft(saved));
          }}
        />
      )}
      <Button
        className="self-start"
        disabled={!isTouched || isPending || !mayChange}
        onClick={() => send(state.version, state.base, { ...state.base, facts: state.facts })}
      >
        {isPending ? 'Saving …' : 'Save what is known'}
      </Button>
    </section>
  );
}
