/** Two candidates beside each other: their differences as numbers. */

import type { Candidate, Judgement } from '@low-quarry/core/fit';
import { checkLabel, raisedMm, speakerShape } from '@low-quarry/core/fit';
import { extents } from '@low-quarry/core/geometry';
import type { OpeningRecord } from '@low-quarry/core/model';

export type Compared = { readonly candidate: Candidate; readonly judgement: Judgement };
export type Difference = { readonly label: string; readonly shownMm: number; readonly overMm: number };

/** Sizes first, then the margins that both have. */
export function differencesOf(shown: Compared, over: Compared, behind: OpeningRecord['behind']): readonly Difference[] {
  const sizes: readonly (readonly [string, (of: Candidate) => number])[] = [
    ['Reach into the door', ({ speaker, layers }) => speakerShape(speaker).depthMm - raisedMm(layers)],
    ['Reach into the cabin', ({ speaker, layers }) => speakerShape(speaker).frontMm + raisedMm(layers)],
    ['Basket, across', ({ speaker }) => extents(speaker.basket).width.valueMm],
    ['Magnet', ({ speaker }) => speaker.magnetDiameter.valueMm],
  ];
  const margins = shown.judgement.checks.flatMap(({ id, margin }): readonly Difference[] => {
    const other = over.judgement.checks.find((each) => each.id === id)?.margin;
    if (!margin || !other) return [];
    return [
      { label: `Margin: ${checkLabel(id, behind).toLowerCase()}`, shownMm: margin.valueMm, overMm: other.valueMm },
    ];
  });
  return [
    ...sizes.map(([label, of]) => ({ label, shownMm: of(shown.candidate), overMm: of(over.candidate) })),
    ...margins,
  ];
}
