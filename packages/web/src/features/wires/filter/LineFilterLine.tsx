/** What is in the line before one opening's speaker, and the form that changes it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { lineFilterWords } from '@low-quarry/core/model';
import type { ChannelLoad } from '@low-quarry/core/sound';
import { useState } from 'react';
import { useMay } from '../../../api/me';
import { Button } from '../../../ui/Button';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { NotInShop } from '../../openings/NotInShop';
import { useSaveAtOnce } from '../../openings/useSaveAtOnce';

const FilterForm = late(
  () => import('./FilterForm').then((code) => code.FilterForm),
  () => <Loading what="the form" />,
);

type LineFilterLineProps = {
  readonly opening: OpeningWithState;
  readonly load: ChannelLoad;
  readonly car: { readonly job: Job; readonly openings: readonly OpeningWithState[] };
  /** RMS of what feeds it, W; null where nobody says. */
  readonly watt: number | null;
};

export function LineFilterLine({ opening, load, car, watt }: LineFilterLineProps) {
  const [isOpen, setIsOpen] = useState(false);
  const mayMeasure = useMay('measure');
  const { record, stuck, save } = useSaveAtOnce(opening);
  const { lineFilter } = record;
  return (
    <div className="flex flex-col gap-2 pb-2">
      <p>In its line: {lineFilterWords(lineFilter)}.</p>
      {stuck && <NotInShop stuck={stuck} />}
      {mayMeasure && !stuck && !isOpen && (
        <Button kind="quiet" className="self-start" onClick={() => setIsOpen(true)}>
          {lineFilter ? `Change the filter of ${load.label}` : `Put a filter before ${load.label}`}
        </Button>
      )}
      {isOpen && (
        <FilterForm
          openingId={opening.id}
          nominalSize={record.nominalSize}
          filter={lineFilter}
          {...{ load, car }}
          watt={watt}
          onSave={(filter) => save({ ...record, lineFilter: filter })}
          onClose={() => setIsOpen(false)}
        />
      )}
    </div>
  );
}
