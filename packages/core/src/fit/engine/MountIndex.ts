/**
 * The chains of every bolt class for the screws of one vehicle opening: what `chainsFor` finds, found by class instead of
 * by part.
 */
import type { BoltPattern } from '../../geometry/BoltPattern';
import type { Turns } from '../../geometry/bestRotation';
import { bracketJoint, bracketTurns, JOINT_WORDS, speakerToVehicle } from '../mount';
import type { FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex, PatternClass } from './CatalogueIndex';
import { type JudgedJoint, judgedJoint } from './ClassMount';
import { canMate, leastMissMm } from './canMate';
import { MountBuilder } from './MountBuilder';
import type { MountColumns } from './MountColumns';
import { mated, PartMates, type Upper } from './PartMates';

/** First brackets whose speaker sides are alike, each with its joint on the vehicle. */
type OnMetal = {
  readonly speakerSide: number;
  readonly members: readonly { readonly at: number; readonly joint: JudgedJoint }[];
};

/** A bolt circle that is dragged leaves its mounts behind; beyond so many the old ones go. */
const MOST_KEPT = 24;

export class MountIndex {
  private readonly mounted = new Map<string, MountColumns>();

  /** @param mates may be shared by all indexes of the same catalogue and rules */
  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly mates: PartMates = new PartMates(index, rules),
  ) {}

  /** The mounts of each bolt class of speakers, simplest first; never empty. Left and right doors share theirs. */
  mountsFor(opening: FitOpening): MountColumns {
    const key = mountsKey(opening);
    let mounts = this.mounted.get(key);
    if (!mounts) {
      if (this.mounted.size >= MOST_KEPT) this.mounted.clear();
      mounts = this.findMounts(opening);
      this.mounted.set(key, mounts);
    }
    return mounts;
  }

  private findMounts(opening: FitOpening): MountColumns {
    const { speakerClasses, bracketColumns } = this.index;
    const builder = new MountBuilder(opening, this.index);
    const onMetal = opening.bolts ? this.onMetal(opening) : [];
    for (let speakerClass = 0; speakerClass < speakerClasses.length; speakerClass++) {
      if (opening.bolts) this.addClass(builder, opening, opening.bolts, speakerClass, onMetal);
      else builder.add(bracketColumns.none, bracketColumns.none, []);
      builder.endClass();
    }
    return builder.build((speakerClass) => [this.straight(opening, speakerClass)]);
  }

  private onMetal(opening: FitOpening): readonly OnMetal[] {
    const { vehicleSide, speakerSides, bracketColumns } = this.index;
    const joints = this.onVehicle(opening);
    return speakerSides.flatMap(({ members }, speakerSide) => {
      const mating = members.flatMap((at) => {
        const joint = joints[vehicleSide[at] as number];
        return joint && (bracketColumns.heightMm[at] as number) <= this.rules.mostRaisedMm ? [{ at, joint }] : [];
      });
      return mating.length > 0 ? [{ speakerSide, members: mating }] : [];
    });
  }

  /** The joint of each vehicle side, null where it does not mate. Sides that differ in their notch are turned once. */
  private onVehicle(opening: FitOpening): readonly (JudgedJoint | null)[] {
    const { vehicleSides, vehiclePattern } = this.index;
    const { bolts } = opening;
    const rotations = new Map<number, Turns>();
    return vehicleSides.map(({ first }, side) => {
      if (!bolts || !canMate(bolts, first.vehicleBolts, this.rules)) return null;
      const pattern = vehiclePattern[side] as number;
      const known = rotations.get(pattern) ?? bracketTurns(opening, first);
      rotations.set(pattern, known);
      return mated(judgedJoint(JOINT_WORDS.bracket, bracketJoint(opening, first, known), this.rules));
    });
  }

  private addClass(
    builder: MountBuilder,
    opening: FitOpening,
    bolts: BoltPattern,
    speakerClass: number,
    onMetal: readonly OnMetal[],
  ): void {
    const { speakerClasses, bracketColumns } = this.index;
    const { none } = bracketColumns;
    const { bolts: holes } = (speakerClasses[speakerClass] as PatternClass<FitSpeaker>).first;
    const straight = canMate(bolts, holes, this.rules) ? this.straight(opening, speakerClass) : null;
    if (straight && mated(straight)) builder.add(none, none, [straight]);
    for (const { speakerSide, members } of onMetal) {
      const top = this.mates.top(0, speakerSide, speakerClass);
      if (!top) continue;
      for (let member = 0; member < members.length; member++) {
        const { at, joint } = members[member] as (typeof members)[number];
        builder.add(at, none, [joint, top]);
      }
    }
    if (builder.isEmpty) this.addDoubles(builder, speakerClass, onMetal);
    if (!builder.isEmpty) return;
    if (straight) builder.add(none, none, [straight]);
    else builder.addHopeless(leastMissMm(bolts, holes));
  }

  private straight(opening: FitOpening, speakerClass: number): JudgedJoint {
    const { first } = this.index.speakerClasses[speakerClass] as PatternClass<FitSpeaker>;
    return judgedJoint(JOINT_WORDS.speaker, speakerToVehicle(opening, first), this.rules);
  }

  private addDoubles(builder: MountBuilder, speakerClass: number, onMetal: readonly OnMetal[]): void {
    const { heightMm } = this.index.bracketColumns;
    for (const { speakerSide, members } of onMetal) {
      const uppers = this.mates.uppersOn(speakerSide, speakerClass);
      for (const { at: lowerAt, joint } of members) {
        const lowerMm = heightMm[lowerAt] as number;
        for (let place = 0; place < uppers.length; place++) {
          const { at, between, top } = uppers[place] as Upper;
          if (lowerMm + (heightMm[at] as number) > this.rules.mostRaisedMm) continue;
          builder.add(lowerAt, at, [joint, between, top]);
        }
      }
    }
  }
}

/** What of an opening the mounts hang on. */
export function mountsKey({ bolts, plugRad }: FitOpening): string {
  return JSON.stringify([bolts, plugRad]);
}
