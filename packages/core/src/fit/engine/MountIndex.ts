/**
 * The chains of every bolt class for the screws of one vehicle opening: what `chainsFor` finds, found by class instead of
 * by part, with the figures that the engine needs of each.
 *
 * Before two patterns are turned on each other their radii are compared: a screw can only land in a hole that lies about
 * as far from the centre, so most pairs are settled without a search over angles.
 */
import type { BoltJoint } from '../boltJoint';
import { boltsCheck } from '../checks/boltsCheck';
import { wireWayCheck } from '../checks/wireWayCheck';
import {
  bracketPlaces,
  bracketToBracket,
  bracketToVehicle,
  composeMount,
  JOINT_WORDS,
  type Mount,
  type NamedJoint,
  speakerToBracket,
  speakerToVehicle,
} from '../mount';
import { stackIds } from '../Ranking';
import type { Candidate, FitBracket, FitOpening, FitRules, FitSpeaker } from '../shapes';
import { mates } from '../stackSearch';
import type { CatalogueIndex } from './CatalogueIndex';
import { type CheckFigures, figuresOf } from './CheckFigures';
import { canMate } from './canMate';

/** A chain under the speakers of one bolt class. */
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
  /** Height of the brackets from the metal up to and with each, mm, and the variance of what lies above it. */
  readonly throats: readonly ThroatPlace[];
  /** Place in its list of the last mount with as many brackets; noted when the list is sorted. */
  lastAlike: number;
};

export type ThroatPlace = {
  readonly bracket: FitBracket;
  readonly xMm: number;
  readonly yMm: number;
  readonly angleRad: number;
  /** Depth of its front face below the flange's underside, mm, and its variance. */
  readonly depthMm: number;
  readonly depthVariance: number;
  readonly depthFourth: number;
};

/** A second bracket, with the joints below and above it. */
type Upper = { readonly at: number; readonly between: BoltJoint; readonly top: BoltJoint };

/** A bolt circle that is dragged leaves its mounts behind; beyond so many the old ones go. */
const MOST_KEPT = 24;

export class MountIndex {
  /** By place, speaker side and speaker class as one whole number. */
  private readonly sideJoints = new Map<number, BoltJoint | null>();
  private readonly sides = new Map<number, readonly { readonly side: number; readonly joint: BoltJoint }[]>();
  private readonly uppers = new Map<number, readonly Upper[]>();
  private readonly figures = new WeakMap<BoltJoint, Map<BoltJoint, CheckFigures>>();
  private readonly mounted = new Map<string, readonly (readonly ClassMount[])[]>();

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
  ) {}

  /** The mounts of each bolt class of speakers, simplest first; never empty. Left and right doors share theirs. */
  mountsFor(opening: FitOpening): readonly (readonly ClassMount[])[] {
    const key = mountsKey(opening);
    let mounts = this.mounted.get(key);
    if (!mounts) {
      if (this.mounted.size >= MOST_KEPT) this.mounted.clear();
      mounts = this.findMounts(opening);
      this.mounted.set(key, mounts);
    }
    return mounts;
  }

  private findMounts(opening: FitOpening): readonly (readonly ClassMount[])[] {
    const { speakerClasses, vehicleSides, brackets, vehicleSide } = this.index;
    if (!opening.bolts) return speakerClasses.map(({ first }) => [this.toMount(opening, first, [], [])]);
    const { bolts } = opening;
    const vehicleJoints = vehicleSides.map(({ first }) =>
      canMate(bolts, first.vehicleBolts, this.rules) ? this.mated(bracketToVehicle(opening, first)) : null,
    );
    const onMetal = brackets.flatMap((bracket, at) => {
      const joint = vehicleJoints[vehicleSide[at] as number];
      return joint && bracket.height.valueMm <= this.rules.mostRaisedMm ? [{ at, joint }] : [];
    });
    return speakerClasses.map(({ first }, speakerClass) => this.ofClass(opening, first, speakerClass, onMetal));
  }

  private ofClass(
    opening: FitOpening,
    speaker: FitSpeaker,
    speakerClass: number,
    onMetal: readonly { readonly at: number; readonly joint: BoltJoint }[],
  ): readonly ClassMount[] {
    const { brackets } = this.index;
    const straight = () =>
      this.toMount(opening, speaker, [], [{ between: JOINT_WORDS.speaker, joint: speakerToVehicle(opening, speaker) }]);
    const mayLand = opening.bolts !== null && canMate(opening.bolts, speaker.bolts, this.rules);
    const simple: ClassMount[] = mayLand && this.mated(speakerToVehicle(opening, speaker)) ? [straight()] : [];
    for (const { at, joint } of onMetal) {
      const top = this.sideJoint(0, at, speakerClass);
      if (!top) continue;
      simple.push(
        this.toMount(
          opening,
          speaker,
          [brackets[at] as FitBracket],
          [
            { between: JOINT_WORDS.bracket, joint },
            { between: JOINT_WORDS.speakerOnBracket, joint: top },
          ],
        ),
      );
    }
    if (simple.length > 0) return sorted(simple);
    const double = this.doubles(opening, speaker, speakerClass, onMetal);
    return double.length > 0 ? sorted(double) : [straight()];
  }

  private doubles(
    opening: FitOpening,
    speaker: FitSpeaker,
    speakerClass: number,
    onMetal: readonly { readonly at: number; readonly joint: BoltJoint }[],
  ): ClassMount[] {
    const { brackets, speakerSide } = this.index;
    return onMetal.flatMap(({ at: lowerAt, joint }) => {
      const lower = brackets[lowerAt] as FitBracket;
      return this.uppersOn(speakerSide[lowerAt] as number, speakerClass).flatMap(({ at: upperAt, between, top }) => {
        const upper = brackets[upperAt] as FitBracket;
        if (lower.height.valueMm + upper.height.valueMm > this.rules.mostRaisedMm) return [];
        const joints = [
          { between: JOINT_WORDS.bracket, joint },
          { between: JOINT_WORDS.bracketOnBracket, joint: between },
          { between: JOINT_WORDS.speakerOnBracket, joint: top },
        ];
        return [this.toMount(opening, speaker, [lower, upper], joints)];
      });
    });
  }

  /** The brackets that go between a bracket's speaker side and a speaker class; found once for all openings. */
  private uppersOn(lowerSide: number, speakerClass: number): readonly Upper[] {
    const { vehicleSides, speakerClasses } = this.index;
    return known(this.uppers, lowerSide * speakerClasses.length + speakerClass, () =>
      this.sidesOn(lowerSide).flatMap(({ side, joint }) =>
        (vehicleSides[side]?.members ?? []).flatMap((at): readonly Upper[] => {
          const top = this.sideJoint(1, at, speakerClass);
          return top ? [{ at, between: joint, top }] : [];
        }),
      ),
    );
  }

  /** The vehicle sides of brackets that mate with a bracket's speaker side. */
  private sidesOn(lowerSide: number): readonly { readonly side: number; readonly joint: BoltJoint }[] {
    const { speakerSides, vehicleSides } = this.index;
    return known(this.sides, lowerSide, () => {
      const lower = speakerSides[lowerSide]?.first as FitBracket;
      return vehicleSides.flatMap(({ first: upper }, side) => {
        const joint = canMate(lower.speakerBolts, upper.vehicleBolts, this.rules)
          ? this.mated(bracketToBracket(lower, upper))
          : null;
        return joint ? [{ side, joint }] : [];
      });
    });
  }

  /** The joint of a speaker class on a bracket's speaker side when they mate; turned once for all openings. */
  private sideJoint(place: 0 | 1, bracketAt: number, speakerClass: number): BoltJoint | null {
    const side = this.index.speakerSide[bracketAt] as number;
    const key = (place * this.index.speakerSides.length + side) * this.index.speakerClasses.length + speakerClass;
    return known(this.sideJoints, key, () => {
      const bracket = this.index.speakerSides[side]?.first as FitBracket;
      const speaker = this.index.speakerClasses[speakerClass]?.first as FitSpeaker;
      return canMate(bracket.speakerBolts, speaker.bolts, this.rules)
        ? this.mated(speakerToBracket(place, bracket, speaker))
        : null;
    });
  }

  /** The same two joints meet under every bracket of a kind: their figures are worked out once. */
  private boltFigures(opening: FitOpening, candidate: Candidate, mount: Mount): CheckFigures {
    const [first, second, third] = mount.joints;
    const judge = () => figuresOf(boltsCheck(opening, candidate, mount, this.rules, 'mm'));
    if (!first || !second || third) return judge();
    let ofFirst = this.figures.get(first.joint);
    if (!ofFirst) {
      ofFirst = new Map();
      this.figures.set(first.joint, ofFirst);
    }
    let figures = ofFirst.get(second.joint);
    if (!figures) {
      figures = judge();
      ofFirst.set(second.joint, figures);
    }
    return figures;
  }

  private mated(joint: BoltJoint): BoltJoint | null {
    return mates(joint, this.rules.confidence) ? joint : null;
  }

  private toMount(
    opening: FitOpening,
    speaker: FitSpeaker,
    brackets: readonly FitBracket[],
    joints: readonly NamedJoint[],
  ): ClassMount {
    const candidate = { speaker, brackets, spacer: null };
    const mount = composeMount(candidate, joints);
    const { angleRad } = mount.pose;
    const variance = (from: number) =>
      brackets.slice(from).reduce((sum, { height }) => sum + height.uncertaintyMm ** 2, 0);
    const fourth = (from: number) =>
      brackets.slice(from).reduce((sum, { height }) => sum + height.uncertaintyMm ** 4, 0);
    return {
      brackets,
      mount,
      cos: Math.cos(angleRad),
      sin: Math.sin(angleRad),
      raisedMm: mount.pose.raisedMm,
      raisedVariance: variance(0),
      raisedFourth: fourth(0),
      bolts: this.boltFigures(opening, candidate, mount),
      wireWay: figuresOf(wireWayCheck(opening, mount)),
      costMinor: brackets.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0),
      ids: stackIds(
        brackets.map(({ id }) => id),
        null,
      ),
      lastAlike: 0,
      throats: throatPlaces(brackets, joints, variance, fourth),
    };
  }
}

function known<Found>(all: Map<number, Found>, key: number, find: () => Found): Found {
  let found = all.get(key);
  if (found === undefined) {
    found = find();
    all.set(key, found);
  }
  return found;
}

/** What of an opening the mounts hang on. */
export function mountsKey({ bolts, plugRad }: FitOpening): string {
  return JSON.stringify([bolts, plugRad]);
}

function throatPlaces(
  brackets: readonly FitBracket[],
  joints: readonly NamedJoint[],
  variance: (from: number) => number,
  fourth: (from: number) => number,
): readonly ThroatPlace[] {
  return bracketPlaces(brackets, joints).map((place, index) => {
    const above = brackets.slice(index + 1).reduce((sum, { height }) => sum + height.valueMm, 0);
    return {
      bracket: brackets[index] as FitBracket,
      ...place,
      depthMm: above,
      depthVariance: variance(index + 1),
      depthFourth: fourth(index + 1),
    };
  });
}

/** Fewest brackets first, then the lowest, then the cheapest. */
function sorted(mounts: ClassMount[]): readonly ClassMount[] {
  mounts.sort(
    (a, b) =>
      a.brackets.length - b.brackets.length ||
      a.raisedMm - b.raisedMm ||
      a.costMinor - b.costMinor ||
      (a.ids < b.ids ? -1 : a.ids > b.ids ? 1 : 0),
  );
  let last = mounts.length - 1;
  for (let at = last; at >= 0; at--) {
    const mount = mounts[at] as ClassMount;
    if (mount.brackets.length !== mounts[last]?.brackets.length) last = at;
    mount.lastAlike = last;
  }
  return mounts;
}
