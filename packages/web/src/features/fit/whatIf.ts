/** Measurements moved by hand on the drawing: seen at once in every verdict, never saved. */
import type { FitOpening } from '@low-quarry/core/fit/shapes';
import { exactly } from '@low-quarry/core/uncertainty/Dimension';

export type WhatIf = { readonly depthBehind: number | null; readonly frontGap: number | null };

export const NO_WHAT_IF: WhatIf = { depthBehind: null, frontGap: null };

export function isWhatIf({ depthBehind, frontGap }: WhatIf): boolean {
  return depthBehind !== null || frontGap !== null;
}

/**
 * The opening as it would be: a moved depth moves every depth by as much, because what stands behind is one sheet that is
 * nearer or farther; a moved figure counts as exactly known.
 */
export function withWhatIf(opening: FitOpening, { depthBehind, frontGap }: WhatIf): FitOpening {
  const centre = opening.depths.find(({ key }) => key === 'depthBehind');
  const by = depthBehind === null || !centre ? null : depthBehind - centre.depth.valueMm;
  return {
    ...opening,
    depths:
      by === null
        ? opening.depths
        : opening.depths.map((each) => ({ ...each, depth: exactly(each.depth.valueMm + by) })),
    frontGap: frontGap === null || !opening.frontGap ? opening.frontGap : exactly(frontGap),
  };
}
