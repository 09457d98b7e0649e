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

export function MarginRail({
  marginMm,
  expandedMm,
  verdict,
}: {
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
  readonly verdict: Verdict;
}) {
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
      {marginMm !== null && <Dot marginMm={marginMm} expandedMm={expandedMm ?? 0} />}
    </svg>
  );
}

function Dot({ marginMm, expandedMm }: { readonly marginMm: number; readonly expandedMm: number }) {
  const x = toX(marginMm);
  const beyond = Math.abs(marginMm) > RANGE_MM;
  return (
    <>
      <line
        x1={toX(marginMm - expandedMm)}
        x2={toX(marginMm + expandedMm)}
        y1="8"
        y2="8"
        stroke="currentColor"
        strokeWidth="2.5"
      />
      {beyond ? (
        <path d={marginMm > 0 ? `M${x - 6} 3l7 5-7 5z` : `M${x + 6} 3l-7 5 7 5z`} fill="currentColor" />
      ) : (
        <circle cx={x} cy="8" r="4" fill="currentColor" />
      )}
    </>
  );
}

function toX(mm: number): number {
  const inside = Math.max(-RANGE_MM, Math.min(RANGE_MM, mm));
  return WIDTH / 2 + (inside / RANGE_MM) * (WIDTH / 2 - EDGE);
}
