/** Takes a place off the car that it does not have, or that was noted twice. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { placeLabel } from '@low-quarry/core/model';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useMay } from '../../api/me';
import { useSent } from '../../outbox/useSent';
import { addressOf } from '../../stations/addressOf';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { toast } from '../../ui/toast';
import { openingKeys } from './openingKeys';

export function RemoveOpening({ opening: { id, jobId, version, record } }: { readonly opening: Opening }) {
  const mayRemove = useMay('openings');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const label = placeLabel(record);
  const { isSending, refusal, send } = useSent((answer) => {
    if (answer === undefined) return;
    toast(`${label} is off the car.`, { canUndo: true });
    void navigate(addressOf('job', { jobId }));
  });
  if (!mayRemove) return null;
  return (
    <div className="mt-4 flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p className="text-muted">
        A place that this car does not have is better set to “Nothing here”: then the next one knows. One that was noted
        by a slip can go; whoever takes it off can also undo it.
      </p>
      <FormError>{refusal ? refusal.message : null}</FormError>
      <Button
        className="scroll-mb-36"
        disabled={isSending}
        onClick={() => {
          // What was asked of it before and is still under way would ask for something that is gone.
          void queries.cancelQueries({ queryKey: openingKeys.one(id) });
          send({ kind: 'removeOpening', label, jobId, openingId: id, version });
        }}
      >
        Take {label.toLowerCase()} off the car
      </Button>
    </div>
  );
}
