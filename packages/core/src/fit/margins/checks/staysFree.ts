/**
 * Stays free: what a housing stands beside and under, and must not take the room of: a belt, a bag's cover, a crank with a hand on it. It is a fact of
 * the housing, the same for every speaker in it.
 */
import { type FreeFinding, staysFree as findings, STAYS_FREE, shellOf } from '../../../housing';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import type { Verdict } from '../../Check';
import type { MadeFace } from '../../shapes';
import type { CheckKind } from '../CheckKind';

const TAG = 0;

export const staysFree: CheckKind = {
  askedAt: 'beside',
  mostSides: 1,
  dependsOnTurn: () => false,
  setsHeight: null,
  ask({ opening: { opening } }, gaps) {
    const verdict = opening.made === null ? 'clears' : freeVerdict(opening.made);
    gaps.factOfOpening(verdict, TAG);
  },
  tell: ({ opening: { opening } }, _gaps, _rules, unit) => ({
    sentence: opening.made === null ? 'Nothing is built on here.' : freeWords(opening.made, unit),
    nearest: null,
  }),
};

export function freeVerdict({ housing }: Pick<MadeFace, 'housing'>): Verdict {
  if (!shellOf(housing).ok) return 'hits';
  const found = findings(housing).map(({ standing }) => standing);
  if (found.includes('hits')) return 'hits';
  return found.includes('near') || found.includes('open') ? 'measure' : 'clears';
}

/** The gravest first; whatever nobody looked for is named. */
export function freeWords({ housing }: Pick<MadeFace, 'housing'>, unit: LengthUnit): string {
  const shell = shellOf(housing);
  if (!shell.ok) return `It cannot be built so: ${shell.failure}`;
  const found = findings(housing);
  const of = (standing: FreeFinding['standing']) => found.filter((each) => each.standing === standing);
  const least = of('clears').toSorted((a, b) => (a.marginMm ?? 0) - (b.marginMm ?? 0))[0];
  const unlooked = of('open').map(({ kind }) => label(kind));
  const defers = found
    .filter(({ standing }) => standing === 'hits' || standing === 'near' || standing === 'clears')
    .map(({ kind }) => STAYS_FREE[kind].defers)
    .filter((words) => words !== '');
  return [
    ...of('hits').map(
      (each) => `It stands ${printLength(-(each.marginMm ?? 0), unit)} too near, or in the way: ${label(each.kind)}.`,
    ),
    ...of('near').map(
      (each) =>
        `${marginWords(each.marginMm ?? 0, unit)} at the ${label(each.kind)}, less than what was typed may be off.`,
    ),
    ...(unlooked.length === 0
      ? []
      : [
          `Nobody looked where these are, or whether the panel has them: ${unlooked.join('; ')}. A tape, with the seat where it is used, tells.`,
        ]),
    ...(least
      ? [
          `Nearest of what was measured: ${label(least.kind)}, ${printLength(least.marginMm ?? 0, unit)} beyond the room that is kept.`,
        ]
      : []),
    ...of('givenUp').map(({ kind }) => `Given up: ${label(kind)}.`),
    ...(found.every(({ standing }) => standing === 'none') ? ['Somebody looked: nothing there has to stay free.'] : []),
    ...defers,
  ].join(' ');
}

function marginWords(mm: number, unit: LengthUnit): string {
  return mm >= 0 ? `Only ${printLength(mm, unit)} left` : `${printLength(-mm, unit)} missing`;
}

function label(kind: FreeFinding['kind']): string {
  const words = STAYS_FREE[kind].label;
  return words.charAt(0).toLowerCase() + words.slice(1);
}
