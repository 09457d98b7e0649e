/**
 * The plain ranking: every stack of every speaker judged in full, the best kept, no class, no bound, no early exit. What the
 * search must agree with, check for check, and what it is measured against.
 */
import { VERDICT_GRAVITY, type Verdict } from '../fit/Check';
import type { Judgement } from '../fit/Judgement';
import { askCandidate, harnessFor, judgeWithHarness } from '../fit/judgeCandidate';
import { openingShape } from '../fit/layout/OpeningShape';
import { speakerShape } from '../fit/layout/SpeakerShape';
import { Judge } from '../fit/search/Judge';
import { emptyMm, plateRoomMm } from '../fit/search/plateRoom';
import { compareScores, listedMm, type StackScore, stackIds } from '../fit/search/Ranking';
import { addedParts, chainsFor, moreRingStacks, piecesCostMinor, ringStacks, ringsFor } from '../fit/search/stacks';
import type { Candidate, FitCatalogue, FitLayer, FitOpening, FitRules, FitSpeaker } from '../fit/shapes';

export type PlainBest = {
  readonly candidate: Candidate;
  readonly judgement: Judgement;
  readonly score: StackScore;
  readonly plateMm: number | null;
};

export function plainBest(
  opening: FitOpening,
  speaker: FitSpeaker,
  catalogue: FitCatalogue,
  rules: FitRules,
): PlainBest {
  const harness = harnessFor(opening, speaker, catalogue.adapters);
  const harnessMinor = harness?.reduce((sum, each) => sum + each.pieceCostMinor, 0) ?? 0;
  const rings = opening.bolts ? ringsFor(catalogue, rules) : [];
  const chains = chainsFor(opening, speaker, catalogue, rules);
  const judge = new Judge(rules);
  const scoreOf = (layers: readonly FitLayer[]): Scored => {
    const candidate = { speaker, layers };
    const { verdict, worstMm, leastSureness } = askCandidate(judge, opening, candidate, harness);
    const score = {
      verdict,
      worstMm,
      leastSureness,
      addedParts: addedParts(layers),
      costMinor: piecesCostMinor(candidate) + harnessMinor,
      ids: stackIds(layers.map(({ id }) => id)),
    };
    return { candidate, score };
  };
  const simple = chains.flatMap((chain) => [chain, ...ringStacks(opening, chain, rings, rules)]).map(scoreOf);
  let best = simple.reduce(better);
  if (best.score.verdict !== 'clears') {
    // More elaborate ones only in order to clear.
    const more = chains.flatMap((chain) => moreRingStacks(opening, chain, rings, rules)).map(scoreOf);
    best = more.filter(({ score }) => score.verdict === 'clears').reduce(better, best);
  }
  const judgement = judgeWithHarness(opening, best.candidate, harness, rules, 'mm');
  const isOnPlate = best.score.verdict === 'hits' && judgement.decidedBy === 'bolts';
  const plateMm = isOnPlate ? plateRoomMm(openingShape(opening), speakerShape(speaker), rules) : null;
  return { ...best, judgement, plateMm };
}

type Scored = { readonly candidate: Candidate; readonly score: StackScore };

function better(a: Scored, b: Scored): Scored {
  return compareScores(b.score, a.score) < 0 ? b : a;
}

/** All speakers with their best stacks, best first. */
export function plainRanking(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): readonly PlainBest[] {
  const own = ({ candidate }: PlainBest) => (candidate.speaker.nominalSize === opening.nominalSize ? 0 : 1);
  const shape = openingShape(opening);
  const listed = ({ score, plateMm, candidate }: PlainBest): StackScore => ({
    ...score,
    worstMm: listedMm(score, plateMm, emptyMm(shape, speakerShape(candidate.speaker))),
    ids: '',
  });
  const text = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  const rank = ({ score }: PlainBest): number => VERDICT_GRAVITY[score.verdict as Verdict];
  return catalogue.speakers
    .map((speaker) => plainBest(opening, speaker, catalogue, rules))
    .sort(
      (a, b) =>
        rank(a) - rank(b) ||
        own(a) - own(b) ||
        compareScores(listed(a), listed(b)) ||
        text(a.candidate.speaker.name, b.candidate.speaker.name) ||
        text(a.candidate.speaker.id, b.candidate.speaker.id),
    );
}
