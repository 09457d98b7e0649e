/**
 * What the screws of one opening say of the chains of all bolt classes, in flat arrays: what a look at the whole catalogue
 * reads of them. A chain becomes an object only where somebody asks for more.
 */
import { reachesNotch } from '../checks/wireWayCheck';
import type { FitOpening } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ChainTable } from './ChainTable';
import { FACT_MISSING } from './CheckFigures';
import { ClassMount } from './ClassMount';
import { type JudgedJoint, namedJoints, turnOf } from './JudgedJoint';
import { keepWorse, newMargin, setMargin } from './MarginMm';
import { type PlacedBrackets, placedBrackets } from './PlacedBrackets';
import { HITS, HOLD, verdictOf } from './Scratch';

/** The joints on the vehicle's screws. */
export type VehicleJoints = {
  /** Of each vehicle side of brackets; null where it surely does not mate. */
  readonly ofSide: readonly (JudgedJoint | null)[];
  /** Of the bare speaker of each bolt class; null where it surely does not mate. */
  readonly ofSpeaker: readonly (JudgedJoint | null)[];
  /** What the margin of a class's bare speaker is not above where its joint was not worked out, mm. */
  readonly leastMissMm: (speakerClass: number) => number;
  /** The joint of a class's bare speaker, whether it mates or not. */
  readonly straight: (speakerClass: number) => JudgedJoint;
};

export class MountColumns {
  /** Of the table, for those who read them together with the rest. */
  readonly first: Int32Array;
  readonly raisedMm: Float64Array;
  readonly raisedVariance: Float64Array;
  readonly parts: Uint8Array;
  readonly costMinor: Float64Array;
  readonly lastAlike: Int32Array;
  readonly lowestMm: Float64Array;
  /** The graver of bolts and wire way. */
  readonly gravity: Uint8Array;
  /** Margin of the bolts, mm, or a figure that it is not above; NaN where no length decides. */
  readonly boltsMm: Float64Array;
  /** How the part on the metal is turned, rad; NaN where nobody knows. */
  readonly turnRad: Float64Array;
  /** How far the speaker's axis lies off the hole's centre, mm. */
  readonly offAxisMm: Float64Array;
  /** What a round body on the axis may measure from it in the throats, mm; NaN where a throat is not round. */
  readonly throatRadiusMm: Float64Array;
  /** Whether all its plates share the axis. */
  readonly isCentred: Uint8Array;
  /** For each class, whether nothing mates: then its one chain, the bare speaker, hits with its bolts. */
  readonly isHopeless: Uint8Array;
  private readonly made: (ClassMount | undefined)[];
  /** By the places of both brackets as one whole number. */
  private readonly placed = new Map<number, PlacedBrackets>();
  private readonly lists: (readonly ClassMount[] | undefined)[];
  private readonly worst = newMargin();

  /** @param joints null where the vehicle's screws are not known */
  constructor(
    private readonly table: ChainTable,
    private readonly opening: FitOpening,
    private readonly index: CatalogueIndex,
    private readonly joints: VehicleJoints | null,
  ) {
    this.first = table.first;
    this.raisedMm = table.raisedMm;
    this.raisedVariance = table.raisedVariance;
    this.parts = table.parts;
    this.costMinor = table.costMinor;
    this.lastAlike = table.lastAlike;
    this.lowestMm = table.lowestMm;
    const count = table.parts.length;
    this.gravity = new Uint8Array(count);
    this.boltsMm = new Float64Array(count);
    this.turnRad = new Float64Array(count);
    this.offAxisMm = new Float64Array(count);
    this.throatRadiusMm = table.throatRadiusMm.slice();
    this.isCentred = new Uint8Array(count).fill(1);
    this.made = new Array(count);
    this.lists = new Array(table.classes);
    this.isHopeless = new Uint8Array(table.classes);
    for (let speakerClass = 0; speakerClass < table.classes; speakerClass++) {
      const first = table.first[speakerClass] as number;
      const end = table.first[speakerClass + 1] as number;
      for (let at = first; at < end; at++) {
        this.setBolts(speakerClass, at);
        if (table.isOffset[at] === 1) this.setOffset(speakerClass, at);
      }
      this.isHopeless[speakerClass] = this.gravity[first] === HITS ? 1 : 0;
    }
  }

  get classes(): number {
    return this.table.classes;
  }

  count(speakerClass: number): number {
    return (this.first[speakerClass + 1] as number) - (this.first[speakerClass] as number);
  }

  /** All chains of a class. */
  list(speakerClass: number): readonly ClassMount[] {
    let list = this.lists[speakerClass];
    if (!list) {
      const first = this.first[speakerClass] as number;
      list = Array.from({ length: this.count(speakerClass) }, (_, at) => this.mountAt(speakerClass, first + at));
      this.lists[speakerClass] = list;
    }
    return list;
  }

  mountAt(speakerClass: number, at: number): ClassMount {
    return this.made[at] ?? this.make(speakerClass, at);
  }

  /** Whether there are the same chains in the same places, however they are turned. */
  hasChainsOf({ table }: MountColumns): boolean {
    return this.table === table;
  }

  /**
   * Whether something mates with the speakers of a class, and their chains are as on other screws: the same brackets,
   * turned alike, and as grave. A stack on them then has the verdict that it has there.
   */
  areAlike(other: MountColumns, speakerClass: number): boolean {
    const count = this.count(speakerClass);
    if (this.isHopeless[speakerClass] === 1 || other.count(speakerClass) !== count) return false;
    const mine = this.first[speakerClass] as number;
    const its = other.first[speakerClass] as number;
    for (let place = 0; place < count; place++) if (!this.isAlike(mine + place, other, its + place)) return false;
    return true;
  }

  private isAlike(at: number, other: MountColumns, its: number): boolean {
    const { chains } = this.table;
    return (
      this.turnRad[at] === other.turnRad[its] &&
      this.gravity[at] === other.gravity[its] &&
      chains.lower[at] === other.table.chains.lower[its] &&
      chains.upper[at] === other.table.chains.upper[its]
    );
  }

  private make(speakerClass: number, at: number): ClassMount {
    const lastAlike = (this.lastAlike[at] as number) - (this.first[speakerClass] as number);
    const placed = this.placedAt(speakerClass, at);
    const above = this.table.chains.above[at] as readonly JudgedJoint[];
    const mount = new ClassMount(placed, this.jointAt(speakerClass, at), above, this.opening.plugRad, lastAlike);
    this.made[at] = mount;
    return mount;
  }

  /** Chains of the same brackets share how they lie, whatever stands on them. */
  private placedAt(speakerClass: number, at: number): PlacedBrackets {
    const { brackets } = this.index;
    const lower = this.table.chains.lower[at] as number;
    const upper = this.table.chains.upper[at] as number;
    const key = lower * (brackets.length + 1) + upper;
    let placed = this.placed.get(key);
    if (!placed) {
      const [first, second] = [brackets[lower], brackets[upper]];
      placed = placedBrackets(
        first ? (second ? [first, second] : [first]) : [],
        namedJoints(this.jointAt(speakerClass, at), this.table.chains.above[at] as readonly JudgedJoint[]),
      );
      this.placed.set(key, placed);
    }
    return placed;
  }

  /** The joint on the vehicle, whether it holds or not; null where the screws are not known. */
  private jointAt(speakerClass: number, at: number): JudgedJoint | null {
    return this.joints && (this.onMetal(speakerClass, at) ?? this.joints.straight(speakerClass));
  }

  /** The joint on the vehicle; null where it was not worked out because it surely does not hold. */
  private onMetal(speakerClass: number, at: number): JudgedJoint | null {
    const side = this.table.side[at] as number;
    const { joints } = this;
    return (side < 0 ? joints?.ofSpeaker[speakerClass] : joints?.ofSide[side]) ?? null;
  }

  private setBolts(speakerClass: number, at: number): void {
    const { joints, worst, table } = this;
    const onMetal = this.onMetal(speakerClass, at);
    if (!onMetal) {
      this.turnRad[at] = Number.NaN;
      this.boltsMm[at] = joints ? joints.leastMissMm(speakerClass) : Number.NaN;
      this.gravity[at] = joints ? HITS : FACT_MISSING.gravity;
      return;
    }
    const { figures } = onMetal;
    setMargin(worst, figures.valueMm, figures.expandedMm);
    const aboveMm = table.aboveMm[at] as number;
    if (aboveMm < Number.POSITIVE_INFINITY) keepWorse(worst, aboveMm, table.aboveExpandedMm[at] as number);
    this.turnRad[at] = turnOf(onMetal);
    this.boltsMm[at] = worst.value;
    const gravity = verdictOf(worst.value, worst.expanded);
    this.gravity[at] = this.isWireFree(at) ? gravity : Math.max(gravity, HOLD);
  }

  /** Whether the first bracket with a wire notch turns it to the plug. */
  private isWireFree(at: number): boolean {
    const { plugRad } = this.opening;
    if (plugRad === null) return true;
    const { chains } = this.table;
    const { notchRad } = this.index.bracketColumns;
    const turn = this.turnRad[at] as number;
    const first = notchRad[chains.lower[at] as number] as number;
    if (!Number.isNaN(first)) return reachesNotch(plugRad, turn + first);
    const second = notchRad[chains.upper[at] as number] as number;
    if (Number.isNaN(second)) return true;
    return reachesNotch(plugRad, turn + turnOf(chains.above[at]?.[0] as JudgedJoint) + second);
  }

  private setOffset(speakerClass: number, at: number): void {
    const { offAxisMm, throatRadiusMm } = this.placedAt(speakerClass, at);
    this.offAxisMm[at] = offAxisMm;
    this.throatRadiusMm[at] = throatRadiusMm;
    this.isCentred[at] = 0;
  }
}
