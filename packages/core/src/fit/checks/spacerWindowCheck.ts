/**
 * Spacer window: is there any height of spacer that suits glass and grille together? Its margin is the window's width,
 * in which a dimension that serves both sides counts once.
 */
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, factCheck, marginCheck, missingCheck } from '../Check';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { spacerWindow } from '../spacerWindow';
import { behindWord } from './depthCheck';

export function spacerWindowCheck(opening: FitOpening, candidate: Candidate, rules: FitRules, unit: LengthUnit): Check {
  if (opening.behind === 'nothing')
    return factCheck('spacerWindow', 'clears', 'Nothing stands behind, so no spacer is needed.');
  const window = spacerWindow(opening, candidate, rules);
  if (!window) {
    const missing = [
      ...(opening.depthBehind ? [] : ['depthBehind' as const]),
      ...(opening.frontGap ? [] : ['frontGap' as const]),
    ];
    return missingCheck('spacerWindow', missing, 'The spacer cannot be worked out before both gaps are taken.');
  }
  return marginCheck('spacerWindow', window.width, rules.confidence, ({ valueMm }) => {
    const least = printLength(window.leastMm, unit);
    const most = printLength(Math.max(0, window.mostMm), unit);
    const behind = behindWord(opening.behind);
    if (window.mostMm < 0)
      return `The grille already touches without a spacer: ${printLength(-window.mostMm, unit)} too little in front.`;
    if (valueMm < 0) return `No spacer will do: ${behind} asks at least ${least}, the grille allows ${most} at most.`;
    return window.leastMm === 0
      ? `No spacer is needed; up to ${most} would still clear the grille.`
      : `A spacer from ${least} to ${most} clears ${behind} and the grille.`;
  });
}
