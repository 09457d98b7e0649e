/**
 * The plain ranking: every stack of every speaker judged in full, the best kept, no index, no early exit. What the fast
 * engine must agree with, check for check, and what it is measured against.
 */
import type { Verdict } from '../fit/Check';
import { harnessFor, type Judgement, judgeWithHarness } from '../fit/judgeCandidate';
import { compareScores, type StackScore, stackIds, VERDICT_RANK } from '../fit/Ranking';
import type { Candidate, FitCatalogue, FitOpening, FitRules, FitSpeaker } from '../fit/shapes';
import { addedParts, chainsFor, piecesCostMinor, spacersFor } from '../fit/stackSearch';
import { sureness } from '../uncertainty/Margin';

export type PlainBest = {
  readonly candidate: Candidate;
  readonly judgement: Judgement;
  readonly score: StackScore;
  readonly stacksJudged: number;
};

export function plainBest(
  opening: FitOpening,
  speaker: FitSpeaker,
  catalogue: FitCatalogue,
  rules: FitRules,
): PlainBest {
  const harness = harnessFor(opening, speaker, catalogue.adapters);
  let best: Omit<PlainBest, 'stacksJudged'> | null = null;
  let stacksJudged = 0;
  const judge = (candidate: Candidate) => {
    const judgement = judgeWithHarness(opening, candidate, harness, rules, 'mm');
    const score = toScore(candidate, judgement, harness?.reduce((sum, each) => sum + each.pieceCostMinor, 0) ?? 0);
    stacksJudged++;
    if (!best || compareScores(score, best.score) < 0) best = { candidate, judgement, score };
    return judgement;
  };
  for (const brackets of chainsFor(opening, speaker, catalogue, rules)) {
    const { checks } = judge({ speaker, brackets, spacer: null });
    // Only the speaker with which nothing mates has screws that miss.
    if (checks.some((check) => check.id === 'bolts' && check.verdict === 'hits')) continue;
    for (const spacer of spacersFor(opening, { brackets }, catalogue, rules)) judge({ speaker, brackets, spacer });
  }
  if (!best) throw new Error('plainBest: expected at least the bare speaker');
  return { ...(best as Omit<PlainBest, 'stacksJudged'>), stacksJudged };
}

function toScore(candidate: Candidate, { verdict, checks }: Judgement, harnessMinor: number): StackScore {
  const hits = checks.flatMap((check) => (check.verdict === 'hits' && check.margin ? [check.margin.valueMm] : []));
  const sure = checks.flatMap(({ margin }) => (margin ? [sureness(margin)] : []));
  return {
    verdict,
    addedParts: addedParts(candidate),
    costMinor: piecesCostMinor(candidate) + harnessMinor,
    worstMm: Math.min(0, ...hits),
    leastSureness: Math.min(Number.MAX_VALUE, ...sure),
    ids: stackIds(
      candidate.brackets.map(({ id }) => id),
      candidate.spacer?.id ?? null,
    ),
  };
}

/** All speakers with their best stacks, best first. */
export function plainRanking(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): readonly PlainBest[] {
  const own = ({ candidate }: PlainBest) => (candidate.speaker.nominalSize === opening.nominalSize ? 0 : 1);
  const text = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  const rank = ({ score }: PlainBest): number => VERDICT_RANK[score.verdict as Verdict];
  return catalogue.speakers
    .map((speaker) => plainBest(opening, speaker, catalogue, rules))
    .sort(
      (a, b) =>
        rank(a) - rank(b) ||
        own(a) - own(b) ||
        compareScores({ ...a.score, ids: '' }, { ...b.score, ids: '' }) ||
        text(a.candidate.speaker.name, b.candidate.speaker.name) ||
        text(a.candidate.speaker.id, b.candidate.speaker.id),
    );
}
