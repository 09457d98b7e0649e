/** The height of the spacer: a slider with the stocked heights on it and the height range in which everything clears. */

import type { Behind, FitSpacer, HeightRange } from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';
import { printLength, printNumber } from '@low-quarry/core/units';
import { Slider } from 'radix-ui';
import type { KeyboardEvent } from 'react';

type SpacerSliderProps = {
  readonly heightMm: number;
  readonly stocked: readonly FitSpacer[];
  readonly range: HeightRange | null;
  readonly behind: Behind;
  readonly unit: LengthUnit;
  readonly onChange: (heightMm: number) => void;
};

const STEP_MM = 0.5;
const MOST_SPACER_MM = 30;

export function SpacerSlider({ heightMm, stocked, range, behind, unit, onChange }: SpacerSliderProps) {
  const heights = [0, ...stocked.map(({ height }) => height.valueMm)];
  const isStocked = heights.some((height) => Math.abs(height - heightMm) < STEP_MM / 10);
  const toNextStocked = (event: KeyboardEvent) => {
    if (event.key !== 'PageUp' && event.key !== 'PageDown') return;
    event.preventDefault();
    event.stopPropagation();
    const next =
      event.key === 'PageUp'
        ? heights.find((height) => height > heightMm)
        : heights.findLast((height) => height < heightMm);
    if (next !== undefined) onChange(next);
  };
  return (
    <div className="flex flex-col gap-1">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold" id="spacer-label">
          Spacer {heightMm === 0 ? 'none' : printLength(heightMm, unit)}
          {!isStocked && <span className="font-normal text-muted"> (what if: not in stock)</span>}
        </span>
        <span className="text-[13px] text-muted">{rangeWords(range, behind, unit)}</span>
      </p>
      <div className="relative px-3 pb-6">
        <Slider.Root
          min={0}
          max={MOST_SPACER_MM}
          step={STEP_MM}
          value={[heightMm]}
          onValueChange={([next]) => next !== undefined && onChange(next)}
          onKeyDownCapture={toNextStocked}
          className="relative flex h-12 w-full touch-none items-center"
        >
          <Slider.Track className="relative h-1 w-full bg-hairline">
            <span aria-hidden="true" className="absolute inset-x-4 inset-y-0">
              {range?.intervals.map(({ fromMm, toMm }) => (
                <span
                  key={fromMm}
                  aria-hidden="true"
                  className="absolute -top-1 h-3 border-x-2 border-clears bg-clears/40"
                  style={{ left: percent(fromMm), right: `calc(100% - ${percent(toMm)})` }}
                />
              ))}
            </span>
          </Slider.Track>
          <Slider.Thumb
            aria-label="Height of the spacer"
            aria-valuetext={
              heightMm === 0
                ? 'no spacer'
                : `${printLength(heightMm, unit)}${isStocked ? ', stocked' : ', not in stock'}`
            }
            className="block h-8 w-8 rounded-full border-[3px] border-action bg-paper"
          />
        </Slider.Root>
        <div aria-hidden="true" className="absolute inset-x-3 bottom-0 mx-4 h-6">
          {heights.map((height) => (
            <span
              key={height}
              className="absolute -translate-x-1/2 border-l-0 text-[13px] text-ink"
              style={{ left: percent(height) }}
            >
              <span className="absolute -top-3 left-1/2 h-2 w-px bg-ink" />
              {height === 0 ? '0' : printNumber(height, unit)}
            </span>
          ))}
        </div>
      </div>
    </div>
  );
}

function percent(heightMm: number): string {
  return `${(Math.min(MOST_SPACER_MM, Math.max(0, heightMm)) / MOST_SPACER_MM) * 100}%`;
}

function rangeWords(range: HeightRange | null, behind: Behind, unit: LengthUnit): string {
  if (behind === 'nothing') return 'Nothing stands behind: no spacer is needed';
  if (!range) return 'Height range unknown until both gaps are taken';
  const { intervals, leastMm, mostMm } = range;
  if (mostMm < 0)
    return `Height range empty: the front is ${printLength(-mostMm, unit)} in the grille without a spacer`;
  if (leastMm === null) return 'Height range empty: no height clears what is behind';
  if (intervals.length === 0)
    return `Height range empty: at least ${printLength(upwards(leastMm), unit)} for behind, at most ${printLength(-upwards(-mostMm), unit)} in front`;
  const words = intervals.map(
    ({ fromMm, toMm }) => `${printNumber(upwards(fromMm), unit)} to ${printLength(-upwards(-toMm), unit)}`,
  );
  return `Height range ${words.join(' and ')}`;
}

/** To the next tenth above: a range is never made to look wider than it is. */
function upwards(mm: number): number {
  return Math.ceil(mm * 10 - 1e-6) / 10;
}
