/** A chain under the speakers of one bolt class: its brackets where they lie, and how the speaker sits on them. */
import type { Pose } from '../../geometry/PlacedBody';
import { reachesNotch } from '../checks/wireWayCheck';
import { type Mount, poseOn } from '../mount';
import type { FitBracket, FitOpening, FitSpacer } from '../shapes';
import { type CheckFigures, FACT_CLEARS, FACT_HOLD, FACT_MISSING } from './CheckFigures';
import { type JudgedJoint, keepWorstJoint, namedJoints, turnOf } from './JudgedJoint';
import { newMargin, setMargin } from './MarginMm';
import type { PlacedBrackets, ThroatPlace } from './PlacedBrackets';
import { verdictOf } from './Scratch';

export class ClassMount {
  readonly brackets: readonly FitBracket[];
  readonly pose: Pose;
  readonly cos: number;
  readonly sin: number;
  readonly raisedMm: number;
  readonly raisedVariance: number;
  /** Sum of the squares of its parts, for how rectangular it is. */
  readonly raisedFourth: number;
  readonly costMinor: number;
  /** Of each bracket, from the speaker down. */
  readonly throats: readonly ThroatPlace[];
  private worst: CheckFigures | null = null;

  /**
   * @param placed shared by the mounts of all classes on the same brackets
   * @param onMetal the joint on the vehicle; null where the vehicle's screws are not known
   * @param above the joints above it, one for each bracket
   * @param lastAlike place in its list of the last mount with as many brackets
   */
  constructor(
    private readonly placed: PlacedBrackets,
    private readonly onMetal: JudgedJoint | null,
    private readonly above: readonly JudgedJoint[],
    private readonly plugRad: FitOpening['plugRad'],
    readonly lastAlike: number,
  ) {
    const top = above[above.length - 1] ?? onMetal;
    this.brackets = placed.brackets;
    this.raisedMm = placed.raisedMm;
    this.raisedVariance = placed.raisedVariance;
    this.raisedFourth = placed.raisedFourth;
    this.costMinor = placed.costMinor;
    this.throats = placed.throats;
    this.pose = poseOn(placed.places, top ? turnOf(top) : 0, placed.raisedMm);
    this.cos = Math.cos(this.pose.angleRad);
    this.sin = Math.sin(this.pose.angleRad);
  }

  /** As the checks have it. */
  get mount(): Mount {
    return { joints: namedJoints(this.onMetal, this.above), notchRad: this.placed.notchRad, pose: this.pose };
  }

  /** The worst of its joints, as the bolts' check has it. */
  get bolts(): CheckFigures {
    this.worst ??= this.onMetal ? worstJoint(this.onMetal, this.above) : FACT_MISSING;
    return this.worst;
  }

  get wireWay(): CheckFigures {
    const { plugRad, placed } = this;
    const isFree = placed.notchRad === null || plugRad === null || reachesNotch(plugRad, placed.notchRad);
    return isFree ? FACT_CLEARS : FACT_HOLD;
  }

  /** The ids of a stack on this chain, as `stackIds`. */
  idsWith(spacer: FitSpacer | null): string {
    return spacer ? this.placed.ids + spacer.id : this.placed.ids;
  }
}

const worst = newMargin();

function worstJoint({ figures }: JudgedJoint, above: readonly JudgedJoint[]): CheckFigures {
  setMargin(worst, figures.valueMm, figures.expandedMm);
  keepWorstJoint(worst, above);
  const { value: valueMm, expanded: expandedMm } = worst;
  return { gravity: verdictOf(valueMm, expandedMm), hasMargin: true, isMissing: false, valueMm, expandedMm };
}
