/** Measurements moved by hand on the drawing: seen at once in every verdict, never saved. */
import type { FitOpening } from '@low-quarry/core/fit';
import { exactly } from '@low-quarry/core/uncertainty';

/** The moved values, mm; null or absent for what stands as it was measured. */
export type WhatIf = {
  readonly depthBehind: number | null;
  readonly frontGap: number | null;
  readonly holeDiameter: number | null;
  /** Depths to obstacles, by their ids. */
  readonly obstacles: Readonly<Record<string, number>>;
};

export const NO_WHAT_IF: WhatIf = { depthBehind: null, frontGap: null, holeDiameter: null, obstacles: {} };

export function isWhatIf({ depthBehind, frontGap, holeDiameter, obstacles }: WhatIf): boolean {
  return depthBehind !== null || frontGap !== null || holeDiameter !== null || Object.keys(obstacles).length > 0;
}

/**
 * The opening as it would be: a moved depth moves every depth by as much, because what stands behind is one sheet that is
 * nearer or farther; a moved figure counts as exactly known.
 */
export function withWhatIf(opening: FitOpening, whatIf: WhatIf): FitOpening {
  const { depthBehind, frontGap, holeDiameter, obstacles } = whatIf;
  if (!isWhatIf(whatIf)) return opening;
  const centre = opening.depths.find(({ key }) => key === 'depthBehind');
  const by = depthBehind === null || !centre ? null : depthBehind - centre.depth.valueMm;
  const { hole } = opening;
  return {
    ...opening,
    hole:
      holeDiameter !== null && hole.kind === 'circle' && hole.diameter
        ? { kind: 'circle', diameter: exactly(holeDiameter) }
        : hole,
    depths:
      by === null
        ? opening.depths
        : opening.depths.map((each) => ({ ...each, depth: exactly(each.depth.valueMm + by) })),
    obstacles: opening.obstacles.map((each) => {
      const depthMm = obstacles[each.id];
      return depthMm === undefined ? each : { ...each, depth: exactly(depthMm) };
    }),
    frontGap: frontGap === null || !opening.frontGap ? opening.frontGap : exactly(frontGap),
  };
}
