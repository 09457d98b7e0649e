/**
 * Judges every candidate of the catalogue (each speaker with each bracket or none and each spacer or none) and ranks
 * the speakers by their best stack.
 *
 * Order of the speakers: clears, measure first, hold, hits; within a verdict those of the opening's own size first. A
 * smaller one through a bracket is second best, and one with fewer added parts is simpler to fit.
 * Order of stacks: clearing ones by added parts, then cost; open ones the surest first; hitting ones by the millimetres
 * missing in all failing checks together. Ties go by name and identity: the list never jumps.
 */

import { sureness } from '../uncertainty/Margin';
import type { LengthUnit } from '../units/parseLength';
import { CHECK_IDS, type Check, type CheckId, type Verdict } from './Check';
import { harnessFor, type Judgement, judgeWithHarness } from './judgeCandidate';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from './shapes';

export type StackIds = { readonly bracketId: string | null; readonly spacerId: string | null };

export type RankedStack = StackIds & {
  readonly verdict: Verdict;
  readonly decidedBy: CheckId;
  readonly addedParts: number;
  /** One speaker with what it needs, by the piece, in minor units of the shop's currency. */
  readonly costMinor: number;
  /** The check that decides, in plain figures: a ranking may be handed from one thread to another. */
  readonly deciding: CheckSummary;
  /** The checks that hit, with by how much; empty unless the verdict is hits. */
  readonly failing: readonly CheckSummary[];
};

export type CheckSummary = {
  readonly id: CheckId;
  readonly verdict: Verdict;
  /** null where no length decides. */
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
  readonly sentence: string;
};

export type RankedSpeaker = {
  readonly speakerId: string;
  readonly best: RankedStack;
  readonly stacksJudged: number;
  /** Other stacks of this speaker that clear, in rank order, at most `MOST_OTHERS`. */
  readonly otherClearing: readonly StackIds[];
};

export type Ranking = {
  readonly speakers: readonly RankedSpeaker[];
  readonly candidatesJudged: number;
  /** Speakers whose best stack does not clear, by the check that decides it. */
  readonly fallOut: Readonly<Record<CheckId, number>>;
};

export const MOST_OTHERS = 8;

const RANK: Readonly<Record<Verdict, number>> = { clears: 0, measure: 1, hold: 2, hits: 3 };

/**
 * @returns all speakers of the catalogue, best first; empty for an empty catalogue
 */
export function rankCandidates(
  opening: FitOpening,
  catalogue: FitCatalogue,
  rules: FitRules,
  unit: LengthUnit = 'mm',
): Ranking {
  const results = catalogue.speakers.map((speaker) => ({
    speaker,
    ...rankSpeaker(opening, speaker, catalogue, rules, unit),
  }));
  const ownSize = ({ nominalSize }: Candidate['speaker']) => (nominalSize === opening.nominalSize ? 0 : 1);
  results.sort(
    (a, b) =>
      RANK[a.scored.verdict] - RANK[b.scored.verdict] ||
      ownSize(a.speaker) - ownSize(b.speaker) ||
      compareStacks(a.scored, b.scored) ||
      a.speaker.name.localeCompare(b.speaker.name, 'en') ||
      compareText(a.speaker.id, b.speaker.id),
  );
  const speakers = results.map(({ ranked }) => ranked);
  const fallOut = Object.fromEntries(CHECK_IDS.map((id) => [id, 0])) as Record<CheckId, number>;
  for (const { best } of speakers) if (best.verdict !== 'clears') fallOut[best.decidedBy]++;
  return { speakers, candidatesJudged: speakers.reduce((sum, { stacksJudged }) => sum + stacksJudged, 0), fallOut };
}

function rankSpeaker(
  opening: FitOpening,
  speaker: Candidate['speaker'],
  catalogue: FitCatalogue,
  rules: FitRules,
  unit: LengthUnit,
): { readonly scored: Scored; readonly ranked: RankedSpeaker } {
  let best: { readonly scored: Scored; readonly judgement: Judgement } | undefined;
  let stacksJudged = 0;
  const clearing: Scored[] = [];
  const harness = harnessFor(opening, speaker, catalogue.adapters);
  for (const bracket of [null, ...catalogue.brackets]) {
    for (const spacer of [null, ...catalogue.spacers]) {
      const candidate = { speaker, bracket, spacer };
      const judgement = judgeWithHarness(opening, candidate, harness, rules, unit);
      const scored = score(candidate, judgement);
      stacksJudged++;
      // Judgements that lose are let go at once: keeping thousands only feeds the garbage collector.
      if (!best || compareStacks(scored, best.scored) < 0) best = { scored, judgement };
      if (scored.verdict === 'clears') clearing.push(scored);
    }
  }
  if (!best) throw new Error('rankSpeaker: expected at least the bare speaker, got no stack');
  const otherClearing = clearing.sort(compareStacks).slice(1, MOST_OTHERS + 1);
  return {
    scored: best.scored,
    ranked: {
      speakerId: speaker.id,
      best: toRankedStack(best.scored, best.judgement),
      stacksJudged,
      otherClearing: otherClearing.map(({ bracketId, spacerId }) => ({ bracketId, spacerId })),
    },
  };
}

/** A judged stack with the figures it is compared by, worked out once and not at every comparison. */
type Scored = StackIds & {
  readonly verdict: Verdict;
  readonly addedParts: number;
  readonly costMinor: number;
  readonly shortfallMm: number;
  readonly leastSureness: number;
};

function score({ speaker, bracket, spacer }: Candidate, { verdict, checks, harness }: Judgement): Scored {
  let shortfallMm = 0;
  let leastSureness = Number.MAX_VALUE;
  for (const check of checks) {
    if (check.margin) leastSureness = Math.min(leastSureness, sureness(check.margin));
    if (check.verdict === 'hits') shortfallMm -= check.margin?.valueMm ?? 0;
  }
  const harnessCost = harness.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0);
  return {
    bracketId: bracket?.id ?? null,
    spacerId: spacer?.id ?? null,
    verdict,
    addedParts: (bracket ? 1 : 0) + (spacer ? 1 : 0),
    costMinor: speaker.pieceCostMinor + (bracket?.pieceCostMinor ?? 0) + (spacer?.pieceCostMinor ?? 0) + harnessCost,
    shortfallMm,
    leastSureness,
  };
}

function toRankedStack(
  { bracketId, spacerId, verdict, addedParts, costMinor }: Scored,
  { checks, decidedBy }: Judgement,
): RankedStack {
  const [deciding] = checks.filter(({ id }) => id === decidedBy).map(toSummary);
  if (!deciding) throw new Error(`toRankedStack: expected a check ${decidedBy}, got none`);
  const failing = checks.filter((check) => check.verdict === 'hits').map(toSummary);
  return { bracketId, spacerId, verdict, decidedBy, addedParts, costMinor, deciding, failing };
}

function toSummary({ id, verdict, margin, sentence }: Check): CheckSummary {
  return { id, verdict, marginMm: margin?.valueMm ?? null, expandedMm: margin?.expandedMm ?? null, sentence };
}

function compareStacks(a: Scored, b: Scored): number {
  if (a.verdict !== b.verdict) return RANK[a.verdict] - RANK[b.verdict];
  return byVerdict(a, b) || a.addedParts - b.addedParts || a.costMinor - b.costMinor || compareText(idsOf(a), idsOf(b));
}

function byVerdict(a: Scored, b: Scored): number {
  if (a.verdict === 'measure') return b.leastSureness - a.leastSureness;
  return a.verdict === 'hits' ? a.shortfallMm - b.shortfallMm : 0;
}

function idsOf({ bracketId, spacerId }: StackIds): string {
  return `${bracketId ?? ''}/${spacerId ?? ''}`;
}

function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
