/** How grave what does not go together is. */
import type { Week } from '@low-quarry/core/contracts/week';
import type { ClashKind } from '@low-quarry/core/week';

/** What cannot be at once; everything else is to be looked at. */
const HARD: ReadonlySet<ClashKind> = new Set<ClashKind>(['lift', 'person']);

export function clashTone(clashes: readonly Pick<Week['clashes'][number], 'kind'>[]): 'hits' | 'measure' | 'none' {
  if (clashes.length === 0) return 'none';
  return clashes.some(({ kind }) => HARD.has(kind)) ? 'hits' : 'measure';
}
