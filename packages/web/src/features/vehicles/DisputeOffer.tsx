/** What is another's to replace can be noted beside it: the owner settles who is right. */
import { replacedBy } from '@low-quarry/core/records';
import { useMe } from '../../api/me';
import { Button } from '../../ui/Button';
import { toast } from '../../ui/toast';
import { type NotOurs, type SavedVehicle, useSaveVehicle } from './useSaveVehicle';

type DisputeOfferProps = {
  /** null where nothing was refused for that. */
  readonly refused: NotOurs | null;
  /** When it is noted: what was typed goes. */
  readonly onNoted: (saved: SavedVehicle) => void;
};

export function DisputeOffer({ refused, onNoted }: DisputeOfferProps) {
  return refused && <Offer {...refused} onNoted={onNoted} />;
}

function Offer({ version, base, record, onNoted }: NotOurs & Pick<DisputeOfferProps, 'onNoted'>) {
  const { name } = useMe();
  const { send, error, isPending } = useSaveVehicle(base, (saved) => {
    toast('It is noted beside it: the owner settles it.', { canUndo: true });
    onNoted(saved);
  });
  const at = new Date().toISOString();
  const disputes = replacedBy(base, record).map(({ label, says }) => ({
    ...{ label: label.slice(0, 160), says: says.slice(0, 300), by: name, at },
  }));
  return (
    <div className="flex flex-col items-start gap-2 border-l-4 border-measure bg-paper px-3 py-2">
      <p>Saw it otherwise? It can stand beside what is written until the owner settles it.</p>
      {error && <p role="alert">{error.message}</p>}
      <Button
        disabled={isPending}
        onClick={() => send(version, base, { ...base, disputes: [...base.disputes, ...disputes] })}
      >
        Note it as disputed
      </Button>
    </div>
  );
}
