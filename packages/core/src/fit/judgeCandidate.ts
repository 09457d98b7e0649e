/**
 * Judges one candidate for one opening, at the best of all the ways in which it can be screwed together.
 */

import type { LengthUnit } from '../units';
import { findHarnessChain, type HarnessAdapter } from '../wiring';
import type { Judgement } from './Judgement';
import { speakerShape } from './layout/SpeakerShape';
import { jointsOf } from './mates/joints';
import { type Placement, placementsOf } from './mates/placements';
import { Judge } from './search/Judge';
import type { Candidate, FitBracket, FitOpening, FitRules, FitSpeaker } from './shapes';

/**
 * @param adapters every harness adapter the shop can get
 * @param unit the unit of the sentences; figures are mm whatever it is
 */
export function judgeCandidate(
  opening: FitOpening,
  candidate: Candidate,
  adapters: readonly HarnessAdapter[],
  rules: FitRules,
  unit: LengthUnit = 'mm',
): Judgement {
  return judgeWithHarness(opening, candidate, harnessFor(opening, candidate.speaker, adapters), rules, unit);
}

/** The chain for a speaker's terminals, or null; it is the same for every bracket and spacer. */
export function harnessFor(
  { wiring }: Pick<FitOpening, 'wiring'>,
  { terminals }: Pick<FitSpeaker, 'terminals'>,
  adapters: readonly HarnessAdapter[],
) {
  return wiring.kind === 'connector' && terminals !== null
    ? findHarnessChain(wiring.connectorId, terminals, adapters)
    : null;
}

/** As {@link judgeCandidate}, with the harness found beforehand. */
export function judgeWithHarness(
  opening: FitOpening,
  candidate: Candidate,
  harness: readonly HarnessAdapter[] | null,
  rules: FitRules,
  unit: LengthUnit = 'mm',
): Judgement {
  return askCandidate(new Judge(rules), opening, candidate, harness).tell(unit);
}

/** The judge after it has been asked of a candidate at the best of its placements: for who wants the verdict alone. */
export function askCandidate(
  judge: Judge,
  opening: FitOpening,
  candidate: Candidate,
  harness: readonly HarnessAdapter[] | null,
): Judge {
  const best = judge.bestPlacement(lookAt(judge, opening, candidate, harness), 'hits');
  if (!best) throw new Error('askCandidate: expected a placement');
  judge.view.setPlacement(best);
  judge.ask();
  return judge;
}

/** Puts a candidate into the judge's view; one of the placements has to be set before anything is asked. */
export function lookAt(
  { view, rules }: Judge,
  opening: FitOpening,
  candidate: Candidate,
  harness: readonly HarnessAdapter[] | null,
): readonly Placement[] {
  const { speaker, layers } = candidate;
  const joints = jointsOf(opening, candidate, rules);
  view.setOpening(opening);
  view.setSpeaker(speaker);
  view.setStack(layers, joints);
  view.harness = harness;
  return placementsOf(bracketsOf(candidate), speakerShape(speaker).looks, joints, opening);
}

export function bracketsOf({ layers }: Pick<Candidate, 'layers'>): readonly FitBracket[] {
  return layers.filter((layer) => layer.kind === 'bracket');
}
