/** What comes out, and goes back: counted with a thumb. */
import type { Counted } from '@low-quarry/core/model';
import type { Counts } from '@low-quarry/core/plan';

type StepCountsProps = {
  readonly counts: Counts;
  readonly counted: Counted | undefined;
  /** How many came out; null where nobody counted, or this is where they come out. */
  readonly cameOut: number | null;
  readonly onCount: (counted: Counted) => void;
};

const MOST = 999;

export function StepCounts({ counts: { what, way, count }, counted, cameOut, onCount }: StepCountsProps) {
  const now = counted ?? { pieces: null, broken: 0, replaced: 0 };
  const said =
    way === 'on'
      ? cameOut === null
        ? 'Nobody counted how many came out.'
        : `${cameOut} came out.`
      : count === null
        ? 'Nobody wrote down how many there are.'
        : `There should be ${count}.`;
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="font-semibold">
        Counted: {what} <span className="font-normal text-muted">{said}</span>
      </legend>
      {way === 'off' && count !== null && now.pieces !== null && now.pieces !== count && (
        <p className="text-measure">
          ◇{' '}
          {now.pieces < count
            ? `${count - now.pieces} fewer than there should be: still in, or gone?`
            : `${now.pieces - count} more than anybody wrote down: put it down under “Found something else”.`}
        </p>
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <Counter
          label={way === 'off' ? 'Out' : 'Back in'}
          value={now.pieces}
          onChange={(pieces) => onCount({ ...now, pieces })}
        />
        <Counter
          label="Broken or gone"
          value={now.broken}
          onChange={(broken) => onCount({ ...now, broken: broken ?? 0 })}
        />
        {way === 'on' && (
          <Counter
            label="Of them new"
            value={now.replaced}
            onChange={(replaced) => onCount({ ...now, replaced: replaced ?? 0 })}
          />
        )}
      </div>
    </fieldset>
  );
}

function Counter({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly onChange: (value: number) => void;
}) {
  const button = 'min-h-14 min-w-14 border-2 border-action text-[24px] font-bold text-action disabled:opacity-50';
  return (
    <fieldset className="flex items-center gap-3">
      <legend className="sr-only">{label}</legend>
      <span aria-hidden="true" className="w-24">
        {label}
      </span>
      <button
        type="button"
        aria-label={`${label}, one fewer`}
        className={button}
        disabled={value === null || value === 0}
        onClick={() => onChange((value ?? 1) - 1)}
      >
        −
      </button>
      <output className="min-w-10 text-center text-[24px] font-bold">{value ?? '?'}</output>
      <button
        type="button"
        aria-label={`${label}, one more`}
        className={button}
        disabled={value === MOST}
        onClick={() => onChange((value ?? 0) + 1)}
      >
        +
      </button>
    </fieldset>
  );
}
