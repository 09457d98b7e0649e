/** What was ticked and the shop did not take: said, with both ways on. Nothing of it is lost before somebody chose. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { bayFields } from '@low-quarry/core/records';
import type { SaveRecord } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import type { WithBay } from '../../outbox/saved/savedBay';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { newId } from '../../ui/newId';

export function StuckBay({ job, stuck }: { readonly job: Job; readonly stuck: SaveRecord }) {
  const { outbox } = useOutbox();
  const { clash, refused } = stuck;
  const [base, mine] = [stuck.base as WithBay, stuck.record as WithBay];
  const drop = () => void outbox.remove(stuck.id);
  if (clash) {
    const theirs = clash.record as WithBay;
    return (
      <ConflictPanel
        what="these steps"
        fields={bayFields(base, mine, theirs)}
        {...{ base, mine, theirs }}
        onSave={(record) =>
          void outbox.replace(stuck.id, {
            ...stuck,
            id: newId(),
            version: clash.version,
            base: theirs,
            record,
            clash: null,
          })
        }
        onTakeTheirs={drop}
      />
    );
  }
  return (
    <div role="alert" className="flex flex-col gap-2">
      <p className="font-semibold text-hits">Not in the shop: {refused?.message}</p>
      <div className="flex flex-wrap gap-3">
        <Button
          onClick={() => void outbox.replace(stuck.id, { ...stuck, id: newId(), version: job.version, refused: null })}
        >
          Send it again
        </Button>
        <Button onClick={drop}>Give up what was ticked here</Button>
      </div>
    </div>
  );
}
