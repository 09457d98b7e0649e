/**
 * The mark of a verdict: each has a shape of its own, so that it reads in black and white and without colour vision.
 * Clears: a full square. Measure first: a square half filled. Hits: a cross. Hold: a diamond.
 */
import type { Verdict } from '@low-quarry/core/fit';
import { VERDICT_WORDS } from '../text/words';

const COLOURS: Readonly<Record<Verdict, string>> = {
  clears: 'text-clears',
  measure: 'text-measure',
  hits: 'text-hits',
  hold: 'text-hold',
};

export function verdictColour(verdict: Verdict): string {
  return COLOURS[verdict];
}

export function VerdictMark({
  verdict,
  hidden = false,
  size = 16,
}: {
  readonly verdict: Verdict;
  readonly hidden?: boolean;
  readonly size?: number;
}) {
  return (
    <span className={`inline-flex shrink-0 ${COLOURS[verdict]}`}>
      <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true">
        {shape(verdict)}
      </svg>
      {!hidden && <span className="sr-only">{VERDICT_WORDS[verdict]}</span>}
    </span>
  );
}

/** An empty ring: nothing is claimed. The words beside it say so. */
export function UnjudgedMark() {
  return (
    <svg className="text-muted" width={16} height={16} viewBox="0 0 16 16" aria-hidden="true">
      <circle cx="8" cy="8" r="5" fill="none" stroke="currentColor" strokeWidth="1.5" strokeDasharray="2 2" />
    </svg>
  );
}

function shape(verdict: Verdict) {
  switch (verdict) {
    case 'clears':
      return <rect x="2" y="2" width="12" height="12" fill="currentColor" />;
    case 'measure':
      return (
        <>
          <rect x="2.75" y="2.75" width="10.5" height="10.5" fill="none" stroke="currentColor" strokeWidth="1.5" />
          <rect x="2" y="8" width="12" height="6" fill="currentColor" />
        </>
      );
    case 'hits':
      return <path d="M3 3l10 10M13 3L3 13" stroke="currentColor" strokeWidth="3" />;
    case 'hold':
      return <path d="M8 1l7 7-7 7-7-7z" fill="currentColor" />;
  }
}
