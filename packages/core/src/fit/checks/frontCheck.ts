/**
 * Front gap: grille or door card against spacer, brackets, flange and the tallest part in front.
 */
import { linear, type Quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, marginCheck, missingCheck } from '../Check';
import type { Mount } from '../mount';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { aboveUnderside, negated, raisedBy, reachInFront } from '../stack';

export function frontCheck(
  opening: FitOpening,
  candidate: Candidate,
  { pose }: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  const { frontGap } = opening;
  if (!frontGap) return missingCheck('front', ['frontGap'], 'The gap to the grille has not been taken.');
  const asked = rules.clearancesMm.front;
  return marginCheck(
    'front',
    frontMargin(frontGap, candidate, asked),
    rules.confidence,
    ({ valueMm }, verdict) => {
      const gap = valueMm + asked;
      const room = `the shop asks ${printLength(asked, unit)}`;
      if (gap < 0) return `The front would push ${printLength(-gap, unit)} into the grille; ${room} of air.`;
      const close = verdict === 'measure' ? ', too close to call' : '';
      return `The front stays ${printLength(gap, unit)} behind the grille; ${room}${close}.`;
    },
    {
      onPart: [pose.xMm, pose.yMm, -reachInFront(candidate).valueMm],
      onOther: [pose.xMm, pose.yMm, -frontGap.valueMm],
      askedMm: asked,
    },
  );
}

/** Front gap, less what stands in front of the mounting plane and the clearance. */
export function frontMargin(
  frontGap: NonNullable<FitOpening['frontGap']>,
  candidate: Candidate,
  askedMm: number,
): Quantity {
  return linear(-askedMm, [
    [{ name: 'opening.frontGap', dimension: frontGap }, 1],
    ...negated(raisedBy(candidate)),
    ...negated(aboveUnderside(candidate.speaker)),
  ]);
}
