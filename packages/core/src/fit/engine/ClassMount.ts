/** A chain under the speakers of one bolt class: its brackets where they lie, and how the speaker sits on them. */
import type { Pose } from '../../geometry/PlacedBody';
import { reachesNotch } from '../checks/wireWayCheck';
import { type Mount, type NamedJoint, poseOn } from '../mount';
import type { FitBracket, FitOpening, FitSpacer } from '../shapes';
import { type CheckFigures, FACT_CLEARS, FACT_HOLD, FACT_MISSING } from './CheckFigures';
import { type JudgedJoint, turnOf } from './JudgedJoint';
import { clearMargin, keepWorse, newMargin } from './MarginMm';
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
   * @param joints from the vehicle to the speaker, one more than brackets; empty where the vehicle's screws are not known
   * @param lastAlike place in its list of the last mount with as many brackets
   */
  constructor(
    private readonly placed: PlacedBrackets,
    private readonly joints: readonly JudgedJoint[],
    private readonly plugRad: FitOpening['plugRad'],
    readonly lastAlike: number,
  ) {
    const top = joints[placed.brackets.length];
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
    const joints = this.joints.map(({ named }): NamedJoint => named);
    return { joints, notchRad: this.placed.notchRad, pose: this.pose };
  }

  /** The worst of its joints, as the bolts' check has it. */
  get bolts(): CheckFigures {
    this.worst ??= this.joints.length === 0 ? FACT_MISSING : worstJoint(this.joints);
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

function worstJoint(joints: readonly JudgedJoint[]): CheckFigures {
  clearMargin(worst);
  for (const { figures } of joints) keepWorse(worst, figures.valueMm, figures.expandedMm);
  const { value: valueMm, expanded: expandedMm } = worst;
  return { gravity: verdictOf(valueMm, expandedMm), hasMargin: true, isMissing: false, valueMm, expandedMm };
}
