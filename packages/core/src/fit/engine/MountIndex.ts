/**
 * The chains of every bolt class for the screws of one vehicle opening: what `chainsFor` finds, found by class instead of
 * by part.
 */
import type { BoltPattern } from '../../geometry/BoltPattern';
import { AskedAgain } from '../../math/AskedAgain';
import type { JointTurns } from '../boltJoint';
import { bracketJoint, bracketTurns, JOINT_WORDS, speakerToVehicle } from '../mount';
import type { FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex, PatternClass } from './CatalogueIndex';
import type { ChainTable } from './ChainTable';
import { ChainTableBuilder } from './ChainTableBuilder';
import { canMate, leastMissMm } from './canMate';
import { type JudgedJoint, judgedJoint } from './JudgedJoint';
import { MountColumns, type VehicleJoints } from './MountColumns';
import { mated, PartMates } from './PartMates';

/** The first brackets of each speaker side, by their places in the catalogue. */
type OnMetal = readonly (readonly number[])[];

/** A vehicle has about a dozen openings. */
const MOST_KEPT = 24;

export class MountIndex {
  private readonly mounted = new AskedAgain<MountColumns>(MOST_KEPT);
  private readonly tables = new AskedAgain<ChainTable>(MOST_KEPT);

  /** @param mates may be shared by all indexes of the same catalogue and rules */
  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly mates: PartMates = new PartMates(index, rules),
  ) {}

  /** The mounts of each bolt class of speakers, simplest first; never empty. Left and right doors share theirs. */
  mountsFor(opening: FitOpening): MountColumns {
    return this.mounted.get(mountsKey(opening), () => {
      const joints = opening.bolts && this.vehicleJoints(opening, opening.bolts);
      return new MountColumns(this.tableFor(joints), opening, this.index, joints);
    });
  }

  /** What mates decides which chains there are. */
  private tableFor(joints: VehicleJoints | null): ChainTable {
    if (!joints) return this.tables.get('nobody knows', () => this.bareTable());
    const holding = (all: readonly (JudgedJoint | null)[]) =>
      all.flatMap((joint, at) => (joint && mated(joint) ? [at] : []));
    const [sides, straight] = [holding(joints.ofSide), holding(joints.ofSpeaker)];
    return this.tables.get(`${sides.join()}|${straight.join()}`, () => this.newTable(sides, straight));
  }

  private vehicleJoints(opening: FitOpening, bolts: BoltPattern): VehicleJoints {
    const { speakerClasses } = this.index;
    const speaker = (speakerClass: number) => (speakerClasses[speakerClass] as PatternClass<FitSpeaker>).first;
    const straight = (speakerClass: number) =>
      judgedJoint(JOINT_WORDS.speaker, speakerToVehicle(opening, speaker(speakerClass)), this.rules);
    return {
      ofSide: this.onVehicle(opening, bolts),
      ofSpeaker: speakerClasses.map(({ first }, speakerClass) =>
        canMate(bolts, first.bolts, this.rules) ? straight(speakerClass) : null,
      ),
      leastMissMm: (speakerClass) => leastMissMm(bolts, speaker(speakerClass).bolts, this.rules),
      straight,
    };
  }

  /** The joint of each vehicle side, null where it surely does not mate. Sides that differ in their notch are turned once. */
  private onVehicle(opening: FitOpening, bolts: BoltPattern): readonly (JudgedJoint | null)[] {
    const { vehicleSides, vehiclePattern } = this.index;
    const rotations = new Map<number, JointTurns | null>();
    return vehicleSides.map(({ first }, side) => {
      const pattern = vehiclePattern[side] as number;
      let turns = rotations.get(pattern);
      if (turns === undefined) {
        turns = canMate(bolts, first.vehicleBolts, this.rules) ? bracketTurns(opening, first) : null;
        rotations.set(pattern, turns);
      }
      return turns && judgedJoint(JOINT_WORDS.bracket, bracketJoint(opening, first, turns), this.rules);
    });
  }

  private bareTable(): ChainTable {
    const builder = new ChainTableBuilder(this.index);
    for (const _ of this.index.speakerClasses) {
      builder.addBare();
      builder.endClass();
    }
    return builder.build();
  }

  /**
   * @param sides the vehicle sides that mate with the vehicle
   * @param straight the bolt classes of speakers that do
   */
  private newTable(sides: readonly number[], straight: readonly number[]): ChainTable {
    const builder = new ChainTableBuilder(this.index);
    const onMetal = this.onMetal(new Set(sides));
    const areStraight = new Set(straight);
    this.index.speakerClasses.forEach((_, speakerClass) => {
      if (areStraight.has(speakerClass)) builder.addBare();
      this.addSingles(builder, speakerClass, onMetal);
      if (builder.isEmpty) this.addDoubles(builder, speakerClass, onMetal);
      // Where nothing mates the speaker is shown as it would sit on the metal.
      if (builder.isEmpty) builder.addBare();
      builder.endClass();
    });
    return builder.build();
  }

  /** The brackets that go onto the metal, by their speaker side. */
  private onMetal(sides: ReadonlySet<number>): OnMetal {
    const { vehicleSide, speakerSides, bracketColumns } = this.index;
    return speakerSides.map(({ members }) =>
      members.filter(
        (at) =>
          sides.has(vehicleSide[at] as number) && (bracketColumns.heightMm[at] as number) <= this.rules.mostRaisedMm,
      ),
    );
  }

  private addSingles(builder: ChainTableBuilder, speakerClass: number, onMetal: OnMetal): void {
    const { none } = this.index.bracketColumns;
    for (const { speakerSide, above } of this.mates.carriersOf(speakerClass)) {
      for (const at of onMetal[speakerSide] as readonly number[]) builder.add(at, none, above);
    }
  }

  private addDoubles(builder: ChainTableBuilder, speakerClass: number, onMetal: OnMetal): void {
    const { heightMm } = this.index.bracketColumns;
    onMetal.forEach((members, speakerSide) => {
      if (members.length === 0) return;
      const uppers = this.mates.uppersOn(speakerSide, speakerClass);
      for (const lowerAt of members) {
        const lowerMm = heightMm[lowerAt] as number;
        for (const { at, above } of uppers) {
          if (lowerMm + (heightMm[at] as number) <= this.rules.mostRaisedMm) builder.add(lowerAt, at, above);
        }
      }
    });
  }
}

/** What of an opening the mounts hang on. */
export function mountsKey({ bolts, plugRad }: FitOpening): string {
  return JSON.stringify([bolts, plugRad]);
}
