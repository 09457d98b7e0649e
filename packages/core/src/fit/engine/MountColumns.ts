/**
 * The chains of all bolt classes in flat arrays, class after class and the simplest first: what a look at the whole
 * catalogue reads of them. A chain becomes an object only where somebody asks for more.
 */
import { reachesNotch } from '../checks/wireWayCheck';
import { type BracketPlace, bracketPlaces } from '../mount';
import type { FitBracket, FitOpening } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import { FACT_MISSING } from './CheckFigures';
import { type ClassMount, classMount, type JudgedJoint, worstJoint } from './ClassMount';
import { HITS, HOLD } from './Scratch';

/** Chains side by side: places of their brackets among the catalogue's, and their joints from the vehicle to the speaker. */
export type Chains = {
  readonly lower: number[];
  readonly upper: number[];
  /** Null where the bare speaker's joint on the vehicle was not worked out. */
  readonly joints: (readonly JudgedJoint[] | null)[];
  /** For these, what the margin of the bolts is not above, mm. */
  readonly hopelessMm: number[];
};

export class MountColumns {
  readonly raisedMm: Float64Array;
  readonly raisedVariance: Float64Array;
  /** Sum of the squares of its parts, for how rectangular it is. */
  readonly raisedFourth: Float64Array;
  /** The graver of bolts and wire way. */
  readonly gravity: Uint8Array;
  /** Margin of the bolts, mm, or a figure that it is not above; NaN where no length decides. */
  readonly boltsMm: Float64Array;
  readonly parts: Uint8Array;
  readonly costMinor: Float64Array;
  /** Place of the last chain of the class with as many brackets; those between stand higher and higher. */
  readonly lastAlike: Int32Array;
  /** How far the speaker's axis lies off the hole's centre, mm. */
  readonly offAxisMm: Float64Array;
  /** What a round body on the axis may measure from it in the throats, mm; NaN where a throat is not round. */
  readonly throatRadiusMm: Float64Array;
  /** Whether all its plates share the axis. */
  readonly isCentred: Uint8Array;
  /** For each class, how high the lowest of its chains stands, mm. */
  readonly lowestMm: Float64Array;
  /** For each class, whether nothing mates: then its one chain, the bare speaker, hits with its bolts. */
  readonly isHopeless: Uint8Array;
  private readonly chains: Chains;
  private readonly made: (ClassMount | undefined)[];
  private readonly lists: (readonly ClassMount[] | undefined)[];

  /**
   * @param first where the chains of each class begin; one place more than classes
   * @param bare the joints of the bare speaker of a class, for chains that came without theirs
   */
  constructor(
    readonly first: Int32Array,
    chains: Chains,
    private readonly opening: FitOpening,
    private readonly index: CatalogueIndex,
    private readonly bare: (speakerClass: number) => readonly JudgedJoint[],
  ) {
    const count = chains.lower.length;
    this.chains = chains;
    this.raisedMm = new Float64Array(count);
    this.raisedVariance = new Float64Array(count);
    this.raisedFourth = new Float64Array(count);
    this.gravity = new Uint8Array(count);
    this.boltsMm = new Float64Array(count);
    this.parts = new Uint8Array(count);
    this.costMinor = new Float64Array(count);
    this.lastAlike = new Int32Array(count);
    this.offAxisMm = new Float64Array(count);
    this.throatRadiusMm = new Float64Array(count);
    this.isCentred = new Uint8Array(count);
    this.made = new Array(count);
    this.lists = new Array(first.length - 1);
    for (let at = 0; at < count; at++) this.set(at);
    this.isHopeless = new Uint8Array(first.length - 1);
    this.lowestMm = new Float64Array(first.length - 1);
    for (let speakerClass = 0; speakerClass < this.classes; speakerClass++) this.noteClass(speakerClass);
  }

  get classes(): number {
    return this.first.length - 1;
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

  private make(speakerClass: number, at: number): ClassMount {
    const lastAlike = (this.lastAlike[at] as number) - (this.first[speakerClass] as number);
    const joints = this.chains.joints[at] ?? this.bare(speakerClass);
    const mount = classMount(this.opening, this.bracketsAt(at), joints, lastAlike);
    this.made[at] = mount;
    return mount;
  }

  private bracketsAt(at: number): readonly FitBracket[] {
    const { brackets } = this.index;
    const [lower, upper] = [brackets[this.chains.lower[at] as number], brackets[this.chains.upper[at] as number]];
    if (!lower) return [];
    return upper ? [lower, upper] : [lower];
  }

  private set(at: number): void {
    const { chains } = this;
    const { none, heightMm, heightVariance, heightFourth, costMinor, throatRadiusMm, isOffset } =
      this.index.bracketColumns;
    const lower = chains.lower[at] as number;
    const upper = chains.upper[at] as number;
    this.raisedMm[at] = (heightMm[upper] as number) + (heightMm[lower] as number);
    this.raisedVariance[at] = (heightVariance[upper] as number) + (heightVariance[lower] as number);
    this.raisedFourth[at] = (heightFourth[upper] as number) + (heightFourth[lower] as number);
    this.costMinor[at] = (costMinor[upper] as number) + (costMinor[lower] as number);
    this.parts[at] = lower === none ? 0 : upper === none ? 1 : 2;
    this.setBolts(at, lower, upper);
    if (isOffset[lower] === 1 || isOffset[upper] === 1) this.setOffset(at);
    else {
      // Most brackets are not offset: all their plates lie on the hole's own axis.
      this.throatRadiusMm[at] = Math.min(throatRadiusMm[lower] as number, throatRadiusMm[upper] as number);
      this.isCentred[at] = 1;
    }
  }

  private setBolts(at: number, lower: number, upper: number): void {
    const joints = this.chains.joints[at];
    if (!joints) {
      this.boltsMm[at] = this.chains.hopelessMm[at] as number;
      this.gravity[at] = HITS;
      return;
    }
    const bolts = joints.length > 0 ? worstJoint(joints) : FACT_MISSING;
    this.boltsMm[at] = bolts.hasMargin ? bolts.valueMm : Number.NaN;
    this.gravity[at] = this.isWireFree(lower, upper, joints) ? bolts.gravity : Math.max(bolts.gravity, HOLD);
  }

  /** Whether the first bracket with a wire notch turns it to the plug. */
  private isWireFree(lower: number, upper: number, joints: readonly JudgedJoint[]): boolean {
    const { plugRad } = this.opening;
    const { notchRad } = this.index.bracketColumns;
    const [first, second] = [notchRad[lower] as number, notchRad[upper] as number];
    if (plugRad === null || (Number.isNaN(first) && Number.isNaN(second))) return true;
    const turn = joints[0]?.named.joint.rotation.angleRad ?? 0;
    if (!Number.isNaN(first)) return reachesNotch(plugRad, turn + first);
    return reachesNotch(plugRad, turn + (joints[1]?.named.joint.rotation.angleRad ?? 0) + second);
  }

  private setOffset(at: number): void {
    const { throatRadiusMm } = this.index.bracketColumns;
    const named = (this.chains.joints[at] ?? []).map((joint) => joint.named);
    const places = bracketPlaces(this.bracketsAt(at), named);
    const axis = places[places.length - 1] as BracketPlace;
    this.offAxisMm[at] = Math.hypot(axis.xMm, axis.yMm);
    const radii = places.map(({ xMm, yMm }, place) => {
      const bracket = (place === 0 ? this.chains.lower : this.chains.upper)[at] as number;
      return (throatRadiusMm[bracket] as number) - Math.hypot(axis.xMm - xMm, axis.yMm - yMm);
    });
    this.throatRadiusMm[at] = Math.min(...radii);
  }

  private noteClass(speakerClass: number): void {
    const { parts, lastAlike, raisedMm } = this;
    const first = this.first[speakerClass] as number;
    const end = this.first[speakerClass + 1] as number;
    this.isHopeless[speakerClass] = this.gravity[first] === HITS ? 1 : 0;
    let lowest = Number.POSITIVE_INFINITY;
    let last = end - 1;
    for (let at = last; at >= first; at--) {
      if (parts[at] !== parts[last]) last = at;
      lastAlike[at] = last;
      lowest = Math.min(lowest, raisedMm[at] as number);
    }
    this.lowestMm[speakerClass] = lowest;
  }
}
