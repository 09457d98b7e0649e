/** A chain under the speakers of one bolt class, with the figures that the engine needs of it. */

import { marginVerdict, toMargin } from '../../uncertainty/Margin';
import type { BoltJoint } from '../boltJoint';
import { reachesNotch } from '../checks/wireWayCheck';
import { type BracketPlace, bracketPlaces, type Mount, type NamedJoint, placeMount } from '../mount';
import { stackIds, VERDICT_RANK } from '../Ranking';
import type { FitBracket, FitOpening, FitRules, FitSpacer } from '../shapes';
import { type CheckFigures, FACT_CLEARS, FACT_HOLD, FACT_MISSING } from './CheckFigures';
import { clearMargin, keepWorse, newMargin } from './MarginMm';
import { verdictOf } from './Scratch';

export type ClassMount = {
  readonly brackets: readonly FitBracket[];
  readonly mount: Mount;
  readonly cos: number;
  readonly sin: number;
  readonly raisedMm: number;
  readonly raisedVariance: number;
  /** Sum of the squares of its parts, for how rectangular it is. */
  readonly raisedFourth: number;
  readonly bolts: CheckFigures;
  readonly wireWay: CheckFigures;
  readonly costMinor: number;
  readonly ids: string;
  /** Of each bracket. */
  readonly throats: readonly ThroatPlace[];
  /** Place in its list of the last mount with as many brackets. */
  readonly lastAlike: number;
};

export type ThroatPlace = BracketPlace & {
  readonly bracket: FitBracket;
  /** Depth of its front face below the flange's underside, mm, its variance, and the sum of the squares of its parts. */
  readonly depthMm: number;
  readonly depthVariance: number;
  readonly depthFourth: number;
};

/** A joint with what it says as a check of its own. */
export type JudgedJoint = { readonly named: NamedJoint; readonly figures: CheckFigures };

export function judgedJoint(between: string, joint: BoltJoint, { confidence }: FitRules): JudgedJoint {
  const margin = toMargin(joint.margin, confidence);
  const { valueMm, expandedMm } = margin;
  return {
    named: { between, joint },
    figures: { gravity: VERDICT_RANK[marginVerdict(margin)], hasMargin: true, isMissing: false, valueMm, expandedMm },
  };
}

/**
 * @param brackets from the metal to the speaker
 * @param joints from the vehicle to the speaker, one more than brackets; empty where the vehicle's screws are not known
 */
export function classMount(
  { plugRad }: Pick<FitOpening, 'plugRad'>,
  brackets: readonly FitBracket[],
  joints: readonly JudgedJoint[],
  lastAlike: number,
): ClassMount {
  const named = joints.map((joint) => joint.named);
  const places = bracketPlaces(brackets, named);
  const throats: ThroatPlace[] = [];
  let raisedMm = 0;
  let variance = 0;
  let fourth = 0;
  let costMinor = 0;
  // From the speaker down: a plate lies as deep as what stands above it is high.
  for (let at = brackets.length - 1; at >= 0; at--) {
    const bracket = brackets[at] as FitBracket;
    const { xMm, yMm, angleRad } = places[at] as BracketPlace;
    throats.push({ bracket, xMm, yMm, angleRad, depthMm: raisedMm, depthVariance: variance, depthFourth: fourth });
    const { valueMm, uncertaintyMm } = bracket.height;
    raisedMm += valueMm;
    variance += uncertaintyMm ** 2;
    fourth += uncertaintyMm ** 4;
    costMinor += bracket.pieceCostMinor;
  }
  const mount = placeMount(brackets, named, places, raisedMm);
  const { angleRad } = mount.pose;
  const isWireFree = mount.notchRad === null || plugRad === null || reachesNotch(plugRad, mount.notchRad);
  return {
    brackets,
    mount,
    cos: Math.cos(angleRad),
    sin: Math.sin(angleRad),
    raisedMm,
    raisedVariance: variance,
    raisedFourth: fourth,
    bolts: joints.length === 0 ? FACT_MISSING : worstJoint(joints),
    wireWay: isWireFree ? FACT_CLEARS : FACT_HOLD,
    costMinor,
    ids: stackIds(
      brackets.map(({ id }) => id),
      null,
    ),
    throats,
    lastAlike,
  };
}

/** The ids of a stack on this chain, as `stackIds`. */
export function idsOf({ ids }: ClassMount, spacer: FitSpacer | null): string {
  return spacer ? ids + spacer.id : ids;
}

const worst = newMargin();

/** What the worst of some joints, at least one, says: as the bolts' check has it. */
export function worstJoint(joints: readonly JudgedJoint[]): CheckFigures {
  if (joints.length === 1) return (joints[0] as JudgedJoint).figures;
  clearMargin(worst);
  for (let at = 0; at < joints.length; at++) {
    const { valueMm, expandedMm } = (joints[at] as JudgedJoint).figures;
    keepWorse(worst, valueMm, expandedMm);
  }
  const { value: valueMm, expanded: expandedMm } = worst;
  return { gravity: verdictOf(valueMm, expandedMm), hasMargin: true, isMissing: false, valueMm, expandedMm };
}
