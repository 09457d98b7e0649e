/** Two candidates beside each other: their differences as numbers. */
import { checkLabel } from '@low-quarry/core/fit/checkWords';
import type { Judgement } from '@low-quarry/core/fit/Judgement';
import { speakerShape } from '@low-quarry/core/fit/layout/SpeakerShape';
import { raisedMm } from '@low-quarry/core/fit/search/stacks';
import type { Candidate } from '@low-quarry/core/fit/shapes';
import { extents } from '@low-quarry/core/geometry/Outline';
import type { OpeningRecord } from '@low-quarry/core/model/opening';

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
