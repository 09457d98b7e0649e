/**
 * Depth to what lies behind: a flat glass parallel to the mounting plane, or metal. The worst case of a flat glass is
 * the window fully down, and that is how the depth is taken.
 */
import { linear, type Quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, factCheck, marginCheck, missingCheck } from '../Check';
import type { Behind, Candidate, FitOpening, FitRules } from '../shapes';
import { depthBelowFlange, negated, raisedBy } from '../stack';

export function depthCheck(opening: FitOpening, candidate: Candidate, rules: FitRules, unit: LengthUnit): Check {
  if (opening.behind === 'nothing') return factCheck('depth', 'clears', 'Nothing stands behind this opening.');
  const behind = behindWord(opening.behind);
  if (!opening.depthBehind) return missingCheck('depth', ['depthBehind'], `The depth to ${behind} has not been taken.`);
  const asked = behindClearanceMm(opening.behind, rules);
  return marginCheck(
    'depth',
    depthMargin(opening.depthBehind, candidate, asked),
    rules.confidence,
    ({ valueMm }, verdict) => {
      const gap = valueMm + asked;
      const room = `the shop asks ${printLength(asked, unit)}`;
      if (gap < 0) return `The magnet would stand ${printLength(-gap, unit)} into ${behind}; ${room} of air.`;
      const close = verdict === 'measure' ? ', too close to call' : '';
      return `The magnet stops ${printLength(gap, unit)} short of ${behind}; ${room}${close}.`;
    },
  );
}

/** Depth behind, less the body's reach and the clearance. */
export function depthMargin(
  depthBehind: NonNullable<FitOpening['depthBehind']>,
  candidate: Candidate,
  askedMm: number,
): Quantity {
  return linear(-askedMm, [
    [{ name: 'opening.depthBehind', dimension: depthBehind }, 1],
    ...raisedBy(candidate),
    ...negated(depthBelowFlange(candidate.speaker)),
  ]);
}

export function behindClearanceMm(behind: Behind, { clearancesMm }: FitRules): number {
  return behind === 'glass' ? clearancesMm.glass : clearancesMm.metal;
}

export function behindWord(behind: Behind): string {
  return behind === 'glass' ? 'the glass' : 'the metal behind';
}
