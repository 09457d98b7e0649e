/** Which other candidate is laid over the shown one, and their differences as numbers. */

import type { ListedPart } from '@low-quarry/core/catalogue';
import { partName } from '@low-quarry/core/catalogue';
import type { RankedSpeaker } from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMargin, printNumber } from '@low-quarry/core/units';
import { UNIT_WORDS } from '../../text/words';
import type { Difference } from './compareView';

type ComparePanelProps = {
  readonly speakers: readonly RankedSpeaker[];
  readonly parts: ReadonlyMap<string, ListedPart>;
  readonly shownId: string;
  readonly overId: string | null;
  readonly differences: readonly Difference[];
  readonly unit: LengthUnit;
  readonly onOver: (speakerId: string | null) => void;
};

/** A list of thousands cannot be read in a menu; the best of it can. */
const MOST_CHOICES = 60;

export function ComparePanel({ speakers, parts, shownId, overId, differences, unit, onOver }: ComparePanelProps) {
  const name = (id: string) => {
    const part = parts.get(id);
    return part ? partName(part) : id;
  };
  const choices = speakers.filter(({ speakerId }) => speakerId !== shownId).slice(0, MOST_CHOICES);
  return (
    <div className="flex flex-col gap-1">
      <label className="flex flex-wrap items-center gap-2 text-[13px] leading-4 text-muted">
        Lay another one over it
        <select
          className="min-h-10 border border-ink bg-paper px-2 text-[15px] text-ink"
          value={overId ?? ''}
          onChange={({ target }) => onOver(target.value === '' ? null : target.value)}
        >
          <option value="">none</option>
          {choices.map(({ speakerId }) => (
            <option key={speakerId} value={speakerId}>
              {name(speakerId)}
            </option>
          ))}
        </select>
      </label>
      {overId && (
        <table className="w-full text-left text-[13px] leading-5">
          <caption className="text-left text-muted">
            Differences in {UNIT_WORDS[unit]}; {name(overId)} is drawn in long dashes
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
