/** What such a car has that is tried before the work; where nobody wrote it down, what is usual for its body. */
import {
  FUNCTION_GROUP_LABELS,
  FUNCTION_GROUPS,
  functionGroup,
  functionLabel,
  functionsOf,
  usualFunctions,
  type VehicleRecord,
  vehicleSchema,
} from '@low-quarry/core/model';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { Tick } from '../../ui/Tick';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { DisputeOffer } from './DisputeOffer';
import { OneMoreFunction } from './OneMoreFunction';
import { useSaveVehicle } from './useSaveVehicle';

/** What was ticked and not saved, with what it was ticked on; null where nobody has begun to. */
const draftSchema = z.object({ version: z.int(), base: vehicleSchema, has: z.array(z.string()) }).nullable();
type Draft = z.output<typeof draftSchema>;

export function VehicleFunctions({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const mayChange = useMay('vehicles');
  const { state: draft, keep, settle } = useKept<Draft>(`functions.${record.id}`, draftSchema, () => null);
  const { panel, send, drop, error, notOurs, isPending } = useSaveVehicle(
    record,
    () => {
      settle(null);
      toast('What such a car has is saved.', { canUndo: true });
    },
    { name: `functions.${record.id}`, onWaits: (base) => draft && keep({ ...draft, base }) },
  );
  const has = draft?.has ?? functionsOf(record);
  const setTicked = (next: readonly string[]) =>
    keep({ version: draft?.version ?? version, base: draft?.base ?? record, has: [...next] });
  const usual = usualFunctions(record);
  const all = [...usual, ...[...functionsOf(record), ...has].filter((key) => !usual.includes(key))];
  const keys = all.filter((key, at) => all.indexOf(key) === at);
  const set = (key: string, isOn: boolean) =>
    setTicked(keys.filter((each) => (each === key ? isOn : has.includes(each))));
  return (
    <section aria-label="Functions" className="flex flex-col gap-3">
      <h2>
        Functions, {has.length} <span className="font-normal text-muted">tried before the work and after it</span>
      </h2>
      {record.functions === null && (
        <p className="border-l-4 border-measure bg-paper px-3 py-2">
          Nobody has written down what it has: this is what is usual for its body. Saved, it counts as looked at.
        </p>
      )}
      <div className="grid gap-x-6 gap-y-3 lg:grid-cols-[2fr_1fr_1fr]">
        {FUNCTION_GROUPS.map((group) => (
          <fieldset key={group}>
            <legend className="font-semibold">{FUNCTION_GROUP_LABELS[group]}</legend>
            <div className={group === 'doors' ? 'sm:columns-2' : 'sm:columns-2 lg:columns-1'}>
              {keys
                .filter((key) => functionGroup(key) === group)
                .map((key) => (
                  <Tick
                    key={key}
                    label={functionLabel(key)}
                    isOn={has.includes(key)}
                    onChange={(isOn) => set(key, isOn)}
                  />
                ))}
            </div>
          </fieldset>
        ))}
      </div>
      <OneMoreFunction known={keys} onAdd={(key) => setTicked([...has, key])} />
      <FormError>{panel ? null : (error?.message ?? null)}</FormError>
      <DisputeOffer refused={notOurs} onNoted={() => settle(null)} />
      {panel && (
        <ConflictPanel
          what="this vehicle"
          {...panel}
          onTakeTheirs={() => {
            drop();
            settle(null);
          }}
        />
      )}
      {mayChange && (
        <Button
          className="self-start"
          disabled={isPending || (draft === null && record.functions !== null)}
          onClick={() => {
            const base = draft?.base ?? record;
            send(draft?.version ?? version, base, { ...base, functions: [...has] });
          }}
        >
          {isPending ? 'Saving …' : 'Save what it has'}
        </Button>
      )}
    </section>
  );
}
