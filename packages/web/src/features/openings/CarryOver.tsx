/** Carries over what is known of the same place on the other side, after showing what that would bring. */
import type { OpeningRecord } from '@low-quarry/core/model';
import { placeLabel } from '@low-quarry/core/model';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { carriedDifferences, type OpeningDraft } from './openingDraft';

type CarryOverProps = {
  readonly draft: OpeningDraft;
  readonly other: OpeningRecord;
  readonly onCarry: () => void;
};

export function CarryOver({ draft, other, onCarry }: CarryOverProps) {
  const [shown, setShown] = useState(false);
  const side = placeLabel(other).toLowerCase();
  if (!shown)
    return (
      <button
        type="button"
        className="min-h-10 self-start text-left text-action underline underline-offset-2"
        onClick={() => setShown(true)}
      >
        Carry over from the {side}, mirrored
      </button>
    );
  const brings = carriedDifferences(draft, other);
  return (
    <section aria-label="Carry over" className="flex flex-col gap-2 border-l-4 border-action bg-paper px-3 py-2">
      <h3 className="font-semibold">
        {brings.length === 0
          ? `The ${side} has nothing that is not known here.`
          : `From the ${side}, mirrored, this would come:`}
      </h3>
      <ul className="text-[13px] leading-5">
        {brings.map(({ path, label, before, after }) => (
          <li key={path}>
            <strong>{label}:</strong> {after} <span className="text-muted">(now {before})</span>
          </li>
        ))}
      </ul>
      <p className="text-[13px] leading-4 text-muted">
        What was measured on this side stays. Plugs, wires and what stands behind are looked at on each side.
      </p>
      <div className="flex flex-wrap gap-2">
        {brings.length > 0 && (
          <Button
            onClick={() => {
              onCarry();
              setShown(false);
            }}
          >
            Carry {brings.length} over
          </Button>
        )}
        <Button kind="quiet" onClick={() => setShown(false)}>
          {brings.length > 0 ? 'Leave it' : 'Close'}
        </Button>
      </div>
    </section>
  );
}
