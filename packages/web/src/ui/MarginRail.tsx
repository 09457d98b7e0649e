/**
 * The margin rail: a zero line, a dot at the margin, a whisker for its interval. The same scale everywhere, so that a
 * column of them can be read downwards; what runs off the scale ends in an arrow.
 */
import type { Verdict } from '@low-quarry/core/fit';
import { verdictColour } from './VerdictMark';

const WIDTH = 80;
const HEIGHT = 16;
const RANGE_MM = 12;
const EDGE = 4;

type MarginRailProps = {
  /** Of the same unit as the range; null where it is no number. */
  readonly margin: number | null;
  readonly expanded: number | null;
  /** How far the scale goes on each side of its zero: the same wherever one kind of margin is shown. */
  readonly range?: number;
  readonly verdict: Verdict;
};

export function MarginRail({ margin, expanded, range = RANGE_MM, verdict }: MarginRailProps) {
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-hidden="true"
      className={`shrink-0 ${verdictColour(verdict)}`}
    >
      <line x1={EDGE} x2={WIDTH - EDGE} y1="8" y2="8" className="stroke-hairline" />
      <line x1={WIDTH / 2} x2={WIDTH / 2} y1="2" y2="14" className="stroke-ink" strokeWidth="1.5" />
      {margin !== null && <Dot share={margin / range} expandedShare={(expanded ?? 0) / range} />}
    </svg>
  );
}

/** As shares of the scale. */
function Dot({ share, expandedShare }: { readonly share: number; readonly expandedShare: number }) {
  const x = toX(share);
  const beyond = Math.abs(share) > 1;
  return (
    <>
      <line
        x1={toX(share - expandedShare)}
        x2={toX(share + expandedShare)}
        y1="8"
        y2="8"
        stroke="currentColor"
        strokeWidth="2.5"
      />
      {beyond ? (
        <path d={share > 0 ? `M${x - 6} 3l7 5-7 5z` : `M${x + 6} 3l-7 5 7 5z`} fill="currentColor" />
      ) : (
        <circle cx={x} cy="8" r="4" fill="currentColor" />
      )}
    </>
  );
}

function toX(share: number): number {
  return WIDTH / 2 + Math.max(-1, Math.min(1, share)) * (WIDTH / 2 - EDGE);
}
