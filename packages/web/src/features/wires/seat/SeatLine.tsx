/** What the new tweeter of one opening sits in, as it is judged, and the form that changes it; nothing where no tweeter goes in. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { placeLabel, SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import { seatChecks } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useMay } from '../../../api/me';
import { shopSettingsQuery } from '../../../api/settingsQuery';
import { Button } from '../../../ui/Button';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { NotInShop } from '../../openings/NotInShop';
import { useSaveAtOnce } from '../../openings/useSaveAtOnce';
import { CheckLine } from '../CheckLine';
import { mmMarginWords } from '../crossovers/crossoversView';

const SeatForm = late(
  () => import('./SeatForm').then((code) => code.SeatForm),
  () => <Loading what="the form" />,
);

type SeatLineProps = { readonly job: Job; readonly opening: OpeningWithState };

export function SeatLine({ job, opening }: SeatLineProps) {
  const [isOpen, setIsOpen] = useState(false);
  const mayMeasure = useMay('measure');
  const shop = useQuery(shopSettingsQuery);
  const { record, stuck, save } = useSaveAtOnce(opening);
  const [check] = seatChecks([{ ...opening, record }], job.consents, shop.data ?? SETTINGS_DEFAULTS);
  if (!check) return null;
  const { tweeterSeat } = record;
  const label = placeLabel(record);
  const { verdict, margin, sentence, settledBy } = check;
  return (
    <div className="flex flex-col gap-2 pb-2">
      <ul>
        <CheckLine
          what="Seat"
          margin={margin && { value: margin.mm, expanded: margin.expandedMm, words: mmMarginWords(margin) }}
          {...{ verdict, sentence, settledBy }}
        />
      </ul>
      {stuck && <NotInShop stuck={stuck} />}
      {mayMeasure && !stuck && !isOpen && (
        <Button kind="quiet" className="self-start" onClick={() => setIsOpen(true)}>
          {tweeterSeat ? `Change the seat of ${label}` : `Decide the seat of ${label}`}
        </Button>
      )}
      {isOpen && (
        <SeatForm
          openingId={opening.id}
          label={label}
          seat={tweeterSeat}
          onSave={(seat) => save({ ...record, tweeterSeat: seat })}
          onClose={() => setIsOpen(false)}
        />
      )}
    </div>
  );
}
