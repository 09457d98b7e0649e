/** How the section is looked at: where it is cut, and how far the window is wound up. Nothing here changes a verdict. */
import type { LengthUnit } from '@low-quarry/core/units';
import { printLength } from '@low-quarry/core/units';

type ViewControlsProps = {
  /** null: the cut follows the deciding gap. */
  readonly cutDeg: number | null;
  readonly tightDeg: number;
  readonly windowUpMm: number;
  readonly hasWindow: boolean;
  readonly unit: LengthUnit;
  readonly onCut: (cutDeg: number | null) => void;
  readonly onWindow: (windowUpMm: number) => void;
};

const CUT_STEP_DEG = 5;
const WINDOW_MOST_MM = 300;

export function ViewControls({ cutDeg, tightDeg, windowUpMm, hasWindow, unit, onCut, onWindow }: ViewControlsProps) {
  return (
    <fieldset className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
      <legend className="sr-only">How the section is looked at</legend>
      <label className="flex flex-col text-[13px] leading-4 text-muted">
        <span>
          Cut at {cutDeg ?? tightDeg}° {cutDeg === null && '(where the gap decides)'}
        </span>
        <span className="flex items-center gap-2">
          <input
            type="range"
            min={0}
            max={180 - CUT_STEP_DEG}
            step={CUT_STEP_DEG}
            value={cutDeg ?? tightDeg}
            onChange={({ target }) => onCut(Number(target.value))}
            className="min-h-10 min-w-0 flex-1 accent-action"
          />
          <button
            type="button"
            disabled={cutDeg === null}
            onClick={() => onCut(null)}
            className="min-h-10 text-[13px] text-action underline disabled:text-muted disabled:no-underline"
          >
            At the gap
          </button>
        </span>
      </label>
      {hasWindow && (
        <label className="flex flex-col text-[13px] leading-4 text-muted">
          <span>Window {windowUpMm === 0 ? 'fully down' : `${printLength(windowUpMm, unit)} up`}</span>
          <input
            type="range"
            min={0}
            max={WINDOW_MOST_MM}
            step={10}
            value={windowUpMm}
            onChange={({ target }) => onWindow(Number(target.value))}
            className="min-h-10 accent-action"
          />
        </label>
      )}
    </fieldset>
  );
}
