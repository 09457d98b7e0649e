/** One stack of the engine's judged by the checks themselves, for what figures alone cannot say. */
import { type Judgement, judgeWithHarness } from '../judgeCandidate';
import type { FitRules, FitSpacer, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import type { OpeningFacts } from './OpeningFacts';

export function judgeStack(
  index: CatalogueIndex,
  rules: FitRules,
  facts: OpeningFacts,
  speaker: number,
  { brackets, mount, raisedMm }: ClassMount,
  spacer: FitSpacer | null,
): Judgement {
  const { opening } = facts;
  if (!opening) throw new Error('judgeStack: expected an opening');
  const candidate = { speaker: index.speakers[speaker] as FitSpeaker, brackets, spacer };
  const placed = { ...mount, pose: { ...mount.pose, raisedMm: raisedMm + (spacer?.height.valueMm ?? 0) } };
  return judgeWithHarness(opening, candidate, facts.terminalsOf(speaker).chain, rules, 'mm', placed);
}
