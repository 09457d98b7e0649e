/** What somebody saw otherwise than it is written, until the owner settles it. */
import type { VehicleRecord } from '@low-quarry/core/model';
import { useMay } from '../../api/me';
import { shopDay } from '../../text/shopDays';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { toast } from '../../ui/toast';
import { useSaveVehicle } from './useSaveVehicle';

export function Disputes({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const maySettle = useMay('library');
  const { send, error, isPending } = useSaveVehicle(record, () => toast('It is settled.', { canUndo: true }));
  if (record.disputes.length === 0) return null;
  return (
    <section aria-label="Disputed" className="flex flex-col gap-2 border-l-4 border-measure bg-paper px-3 py-2">
      <h2>Disputed</h2>
      <p>Both are shown until somebody looks again: put right what is wrong, then say that it is settled.</p>
      <ul>
        {record.disputes.map((dispute) => (
          <li key={`${dispute.label} ${dispute.at}`} className="flex flex-wrap items-center justify-between gap-x-6">
            <span>
              <strong>{dispute.label}</strong>: {dispute.by} says “{dispute.says}”, {shopDay(dispute.at)}
            </span>
            {maySettle && (
              <Button
                kind="quiet"
                disabled={isPending}
                onClick={() => {
                  const disputes = record.disputes.filter((each) => each !== dispute);
                  send(version, record, { ...record, disputes });
                }}
              >
                Settled<span className="sr-only">: {dispute.label}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <FormError>{error?.message ?? null}</FormError>
    </section>
  );
}
