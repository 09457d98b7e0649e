/** What somebody did at this place before: nobody looked, looked and there is nothing, or what there is. */
import { EARLIER_WORK, EARLIER_WORKS } from '@low-quarry/core/model';
import { Tick } from '../../ui/Tick';
import type { OpeningFacts } from './openingDraft';

type EarlierFieldsProps = {
  readonly facts: Pick<OpeningFacts, 'earlier'>;
  readonly onChange: (change: Pick<OpeningFacts, 'earlier'>) => void;
};

export function EarlierFields({ facts: { earlier }, onChange }: EarlierFieldsProps) {
  const found = earlier ?? [];
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">
        Done to it before
        {earlier === null && <span className="text-[13px] font-normal text-measure"> · not looked</span>}
      </legend>
      {EARLIER_WORKS.map((each) => (
        <Tick
          key={each}
          label={EARLIER_WORK[each].label}
          isOn={found.includes(each)}
          onChange={(isOn) =>
            onChange({ earlier: EARLIER_WORKS.filter((other) => (other === each ? isOn : found.includes(other))) })
          }
        />
      ))}
      {found.length === 0 && (
        <Tick
          label="Looked: nothing was done to it"
          isOn={earlier !== null}
          onChange={(isOn) => onChange({ earlier: isOn ? [] : null })}
        />
      )}
    </fieldset>
  );
}
