/** A joint with what it says as a check of its own. */
import { marginVerdict, toMargin } from '../../uncertainty/Margin';
import type { BoltJoint } from '../boltJoint';
import type { NamedJoint } from '../mount';
import { VERDICT_RANK } from '../Ranking';
import type { FitRules } from '../shapes';
import type { CheckFigures } from './CheckFigures';
import { keepWorse, type MarginMm } from './MarginMm';

export type JudgedJoint = { readonly named: NamedJoint; readonly figures: CheckFigures };

export function judgedJoint(between: string, joint: BoltJoint, { confidence }: FitRules): JudgedJoint {
  const margin = toMargin(joint.margin, confidence);
  const { valueMm, expandedMm } = margin;
  return {
    named: { between, joint },
    figures: { gravity: VERDICT_RANK[marginVerdict(margin)], hasMargin: true, isMissing: false, valueMm, expandedMm },
  };
}

/** How its upper part is turned on its lower one, rad. */
export function turnOf({ named }: JudgedJoint): number {
  return named.joint.rotation.angleRad;
}

/** Takes the joints into a margin that holds the worst of others already. */
export function keepWorstJoint(out: MarginMm, joints: readonly JudgedJoint[]): void {
  for (let at = 0; at < joints.length; at++) {
    const { valueMm, expandedMm } = (joints[at] as JudgedJoint).figures;
    keepWorse(out, valueMm, expandedMm);
  }
}

/** The joints of a chain, from the vehicle to the speaker; none where the vehicle's screws are not known. */
export function namedJoints(onMetal: JudgedJoint | null, above: readonly JudgedJoint[]): readonly NamedJoint[] {
  return onMetal ? [onMetal.named, ...above.map(({ named }) => named)] : [];
}
