/** Which other candidate is laid over the shown one, and their differences as numbers. */

import type { ListedById } from '@low-quarry/core/catalogue';
import { partName } from '@low-quarry/core/catalogue';
import type { RankedSpeaker } from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMargin, printNumber } from '@low-quarry/core/units';
import { useMemo, useState } from 'react';
import { UNIT_WORDS } from '../../text/words';
import { ComboField } from '../../ui/ComboField';
import type { Difference } from './compareView';

type ComparePanelProps = {
  readonly speakers: readonly RankedSpeaker[];
  readonly parts: ListedById;
  readonly shownId: string;
  readonly overId: string | null;
  readonly differences: readonly Difference[];
  readonly unit: LengthUnit;
  readonly onOver: (speakerId: string | null) => void;
};

const NONE = '';

export function ComparePanel({ speakers, parts, shownId, overId, differences, unit, onOver }: ComparePanelProps) {
  // Of thousands the names are looked up for whoever wants to choose one.
  const [isAsked, setAsked] = useState(false);
  const choices = useMemo(() => {
    const others = isAsked ? speakers.map(({ speakerId }) => speakerId).filter((id) => id !== shownId) : [];
    const ids = isAsked || overId === null ? others : [overId];
    return [{ value: NONE, label: 'none' }, ...ids.map((id) => ({ value: id, label: nameIn(parts, id) }))];
  }, [isAsked, speakers, parts, shownId, overId]);
  return (
    <div className="flex flex-col gap-1" onFocusCapture={() => setAsked(true)}>
      <ComboField
        label="Lay another one over it"
        value={overId ?? NONE}
        options={choices}
        onChange={(id) => onOver(id === NONE ? null : id)}
      />
      {overId && (
        <table className="w-full text-left text-[13px] leading-5">
          <caption className="text-left text-muted">
            Differences in {UNIT_WORDS[unit]}; {nameIn(parts, overId)} is drawn in long dashes
          </caption>
          <thead className="text-muted">
            <tr>
              <th scope="col" className="font-normal">
                What
              </th>
              <th scope="col" className="text-right font-normal">
                shown
              </th>
              <th scope="col" className="text-right font-normal">
                laid over
              </th>
              <th scope="col" className="text-right font-normal">
                difference
              </th>
            </tr>
          </thead>
          <tbody>
            {differences.map(({ label, shownMm, overMm }) => (
              <tr key={label} className="border-t border-hairline">
                <th scope="row" className="font-normal">
                  {label}
                </th>
                <td className="text-right">{printNumber(shownMm, unit)}</td>
                <td className="text-right">{printNumber(overMm, unit)}</td>
                <td className="text-right font-bold">{printMargin(overMm - shownMm, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

function nameIn(parts: ListedById, id: string): string {
  const part = parts.get(id);
  return part ? partName(part) : id;
}
