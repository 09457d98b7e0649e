/**
 * The chains of every class of speakers for the screws of one opening: what `chainsFor` finds, found by class instead of by
 * part, in the order in which a search tries them, with the placements of each.
 */
import type { BoltPattern } from '../../geometry';
import { AskedAgain } from '../../math';
import { marginVerdict } from '../../uncertainty';
import type { Looks } from '../layout/SpeakerShape';
import type { Joint, JointTurn } from '../mates/Joint';
import { jointsOf, pairNumber, patternNumber } from '../mates/joints';
import { type Placement, placementsOf } from '../mates/placements';
import type { FitBracket, FitLayer, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex, SpeakerClass } from './CatalogueIndex';
import { addedParts, mates, raisedMm } from './stacks';

export class Chain {
  readonly raisedMm: number;
  readonly parts: number;
  readonly costMinor: number;
  private offNow: number | null = null;
  private screwsNow: number | null = null;
  private mountedNow: { readonly joints: readonly Joint[]; readonly placements: readonly Placement[] } | null = null;

  /** @param isHopeless nothing mates: the bare speaker stands for that answer */
  constructor(
    private readonly opening: FitOpening,
    private readonly speaker: FitSpeaker,
    private readonly looks: Looks,
    readonly brackets: readonly FitBracket[],
    private readonly rules: FitRules,
    readonly isHopeless = false,
  ) {
    this.raisedMm = raisedMm(brackets);
    this.parts = addedParts(brackets);
    this.costMinor = brackets.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0);
  }

  get joints(): readonly Joint[] {
    return this.mounted.joints;
  }

  get placements(): readonly Placement[] {
    return this.mounted.placements;
  }

  /** How far the speaker's axis lies off the hole's centre at the least, mm. */
  get offAxisMm(): number {
    this.offNow ??= Math.min(...this.placements.map(({ at }) => Math.hypot(at.xMm, at.yMm)));
    return this.offNow;
  }

  /** No stack on this chain misses by less than its screws do at the best of its placements, mm; 0 where they may land. */
  get screwsUpperMm(): number {
    this.screwsNow ??= Math.max(...this.placements.map(({ turns }) => screwsMm(turns)));
    return this.screwsNow;
  }

  /** Turned when it is asked for: of most chains nobody wants to know. */
  private get mounted() {
    if (!this.mountedNow) {
      const { opening, speaker, brackets, looks, rules } = this;
      const joints = jointsOf(opening, { speaker, layers: brackets }, rules);
      this.mountedNow = { joints, placements: placementsOf(brackets, looks, joints, opening) };
    }
    return this.mountedNow;
  }
}

/** A vehicle has about a dozen openings. */
const MOST_KEPT = 24;

export class Chains {
  private readonly kept = new AskedAgain<readonly (readonly Chain[])[]>(MOST_KEPT);
  /** Of what lies above the vehicle's own joint: whether two patterns of the catalogue mate. */
  private readonly matings = new Map<number, boolean>();

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
  ) {}

  /** Of every class of speakers, simplest first; never empty. */
  forOpening(opening: FitOpening): readonly (readonly Chain[])[] {
    const { bolts, plugRad, holeRad } = opening;
    return this.kept.get(`${bolts && patternNumber(bolts)} ${plugRad} ${holeRad}`, () => this.find(opening));
  }

  private find(opening: FitOpening): readonly (readonly Chain[])[] {
    const { bolts } = opening;
    const onMetal = bolts
      ? this.index.vehicleSides.filter(({ first }) => mates(bolts, first.vehicleBolts, this.rules))
      : [];
    const bySpeakerSide = new Map<number, FitBracket[]>();
    for (const { members } of onMetal)
      for (const bracket of members) {
        const key = patternNumber(bracket.speakerBolts);
        const group = bySpeakerSide.get(key);
        if (group) group.push(bracket);
        else bySpeakerSide.set(key, [bracket]);
      }
    return this.index.classes.map((each) => this.ofClass(opening, each, bySpeakerSide));
  }

  private ofClass(
    opening: FitOpening,
    { first, looks }: SpeakerClass,
    onMetal: ReadonlyMap<number, readonly FitBracket[]>,
  ): readonly Chain[] {
    const { bolts } = opening;
    const bare = new Chain(opening, first, looks, [], this.rules);
    if (!bolts) return [bare];
    const chains: Chain[] = mates(bolts, first.bolts, this.rules) ? [bare] : [];
    for (const members of onMetal.values()) {
      if (!this.carries(members[0] as FitBracket, first)) continue;
      for (const bracket of members) this.add(chains, opening, first, looks, [bracket]);
    }
    if (chains.length === 0) this.addDoubles(chains, opening, first, looks, onMetal);
    return chains.length > 0 ? chains.sort(simplestFirst) : [new Chain(opening, first, looks, [], this.rules, true)];
  }

  private addDoubles(
    chains: Chain[],
    opening: FitOpening,
    speaker: FitSpeaker,
    looks: Looks,
    onMetal: ReadonlyMap<number, readonly FitBracket[]>,
  ): void {
    for (const lowers of onMetal.values()) {
      const { speakerBolts } = lowers[0] as FitBracket;
      for (const { first, members } of this.index.vehicleSides) {
        if (!this.areMated(speakerBolts, first.vehicleBolts)) continue;
        for (const upper of members) {
          if (!this.carries(upper, speaker)) continue;
          for (const lower of lowers) this.add(chains, opening, speaker, looks, [lower, upper]);
        }
      }
    }
  }

  private add(
    chains: Chain[],
    opening: FitOpening,
    speaker: FitSpeaker,
    looks: Looks,
    brackets: readonly FitBracket[],
  ): void {
    if (raisedMm(brackets) <= this.rules.mostRaisedMm)
      chains.push(new Chain(opening, speaker, looks, brackets, this.rules));
  }

  private carries({ speakerBolts }: FitBracket, { bolts }: FitSpeaker): boolean {
    return this.areMated(speakerBolts, bolts);
  }

  private areMated(screws: BoltPattern, holes: BoltPattern): boolean {
    const key = pairNumber(screws, holes);
    let known = this.matings.get(key);
    if (known === undefined) {
      known = mates(screws, holes, this.rules);
      this.matings.set(key, known);
    }
    return known;
  }
}

/** By how much the worst joint misses for certain. */
function screwsMm(turns: readonly JointTurn[]): number {
  return turns.reduce(
    (worst, { marginMm, expandedMm }) =>
      marginVerdict({ valueMm: marginMm, expandedMm }) === 'hits' ? Math.min(worst, marginMm) : worst,
    0,
  );
}

/** Fewest brackets first, then the lowest, then the cheapest. */
function simplestFirst(a: Chain, b: Chain): number {
  return (
    a.parts - b.parts ||
    a.raisedMm - b.raisedMm ||
    a.costMinor - b.costMinor ||
    (idsOf(a.brackets) < idsOf(b.brackets) ? -1 : 1)
  );
}

function idsOf(layers: readonly FitLayer[]): string {
  return layers.map(({ id }) => id).join('+');
}
