/**
 * What is agreed to in writing before it is ordered for, each act by itself: what changes the car for good, what shows, and what is held by
 * something nobody has proved. Which acts those are is common practice, no source.
 */
import { CAR_WORKS, type CheckId, isCarWork, type Work } from '../fit';
import type { CureId, NewAnswer } from './answers';

export const CONSENT_KINDS = [
  ...CAR_WORKS,
  'loomCut',
  'oldSpeakerCut',
  'grilleOff',
  'pocketGone',
  'unprovenFixing',
] as const;
export type ConsentKind = (typeof CONSENT_KINDS)[number];

/** By act: who agreed in writing, how and when. */
export type Consents = Partial<Readonly<Record<ConsentKind, string>>>;

/** Acts of which one has to be agreed to: what gives way may be one thing or the other. */
export type NeededConsent = readonly ConsentKind[];

const OF_CURES: Readonly<Partial<Record<CureId, NeededConsent>>> = {
  loomCut: ['loomCut'],
  pigtailUsed: ['oldSpeakerCut'],
  holeFiled: ['fileHole'],
};

/** Who orders in spite of a check gives something up with it. */
const OF_REASONS: Readonly<Partial<Record<CheckId, NeededConsent>>> = {
  front: ['grilleOff', 'pocketGone'],
  cover: ['grilleOff', 'pocketGone'],
  bolts: ['unprovenFixing'],
  screws: ['unprovenFixing'],
  liesFlat: ['unprovenFixing'],
};

/** What a choice needs, each once, in the order of the work and then of the answers. */
export function neededConsents({
  works,
  answers,
}: {
  readonly works: readonly Pick<Work, 'kind'>[];
  readonly answers: readonly NewAnswer[];
}): readonly NeededConsent[] {
  const needed = [
    ...works.flatMap(({ kind }): NeededConsent[] => (isCarWork(kind) ? [[kind]] : [])),
    ...answers.flatMap((answer): readonly (NeededConsent | undefined)[] => [
      answer.kind === 'cure' ? OF_CURES[answer.cure] : OF_REASONS[answer.check],
    ]),
  ];
  const found = needed.filter((each) => each !== undefined);
  return found.filter((each, at) => found.findIndex((other) => other.join() === each.join()) === at);
}

/** @returns those of which none was agreed to */
export function missingConsents(needed: readonly NeededConsent[], consents: Consents): readonly NeededConsent[] {
  return needed.filter((kinds) => kinds.every((kind) => !consents[kind]));
}
