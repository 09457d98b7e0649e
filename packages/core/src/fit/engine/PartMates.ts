/**
 * What of a catalogue's parts mates with what, whatever the vehicle: speakers on brackets, and brackets on brackets. Found
 * by class of bolt pattern where it is asked, and kept for every opening.
 *
 * Before two patterns are turned on each other their radii are compared: a screw can only land in a hole that lies about
 * as far from the centre, so most pairs are settled without a search over angles.
 */
import { bracketToBracket, JOINT_WORDS, speakerToBracket } from '../mount';
import type { FitBracket, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import { canMate } from './canMate';
import { type JudgedJoint, judgedJoint } from './JudgedJoint';
import { HITS } from './Scratch';

/** A second bracket, with the joints below and above it. */
type Upper = { readonly at: number; readonly above: readonly [JudgedJoint, JudgedJoint] };

/** Second brackets whose speaker sides are alike. */
type UpperSide = {
  readonly speakerSide: number;
  readonly members: readonly { readonly at: number; readonly between: JudgedJoint }[];
};

/** What carries a bolt class of speakers: a speaker side of brackets, with the joint between. */
type Carrier = { readonly speakerSide: number; readonly above: readonly [JudgedJoint] };

export class PartMates {
  /** By place, speaker side and speaker class as one whole number; undefined where nobody has asked. */
  private readonly tops: (JudgedJoint | null | undefined)[];
  private readonly upperSides: (readonly UpperSide[] | undefined)[];
  private readonly uppers: (readonly Upper[] | undefined)[];
  private readonly carriers: (readonly Carrier[] | undefined)[];

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
  ) {
    const sides = index.speakerSides.length;
    const pairs = sides * index.speakerClasses.length;
    this.tops = new Array(2 * pairs);
    this.upperSides = new Array(sides);
    this.uppers = new Array(pairs);
    this.carriers = new Array(index.speakerClasses.length);
  }

  /** The speaker sides of first brackets on which a speaker class goes. */
  carriersOf(speakerClass: number): readonly Carrier[] {
    return known(this.carriers, speakerClass, () =>
      this.index.speakerSides.flatMap((_, speakerSide): readonly Carrier[] => {
        const top = this.top(0, speakerSide, speakerClass);
        return top ? [{ speakerSide, above: [top] }] : [];
      }),
    );
  }

  /** The joint of a speaker class on the speaker side of a first (0) or second (1) bracket; null where they do not mate. */
  private top(place: 0 | 1, side: number, speakerClass: number): JudgedJoint | null {
    const { speakerSides, speakerClasses } = this.index;
    return known(this.tops, (place * speakerSides.length + side) * speakerClasses.length + speakerClass, () => {
      const bracket = speakerSides[side]?.first as FitBracket;
      const speaker = speakerClasses[speakerClass]?.first as FitSpeaker;
      if (!canMate(bracket.speakerBolts, speaker.bolts, this.rules)) return null;
      return mated(judgedJoint(JOINT_WORDS.speakerOnBracket, speakerToBracket(place, bracket, speaker), this.rules));
    });
  }

  /** The brackets that go between a bracket's speaker side and a speaker class. */
  uppersOn(lowerSide: number, speakerClass: number): readonly Upper[] {
    return known(this.uppers, lowerSide * this.index.speakerClasses.length + speakerClass, () =>
      this.upperSidesOn(lowerSide).flatMap(({ speakerSide, members }): readonly Upper[] => {
        const top = this.top(1, speakerSide, speakerClass);
        return top ? members.map(({ at, between }) => ({ at, above: [between, top] as const })) : [];
      }),
    );
  }

  /** The brackets that mate with a bracket's speaker side, by their own speaker side. */
  private upperSidesOn(lowerSide: number): readonly UpperSide[] {
    const { speakerSides, speakerSide, vehicleSides } = this.index;
    return known(this.upperSides, lowerSide, () => {
      const lower = speakerSides[lowerSide]?.first as FitBracket;
      const bySide = new Map<number, { at: number; between: JudgedJoint }[]>();
      for (const { first: upper, members } of vehicleSides) {
        if (!canMate(lower.speakerBolts, upper.vehicleBolts, this.rules)) continue;
        const joint = bracketToBracket(lower, upper);
        const between = mated(judgedJoint(JOINT_WORDS.bracketOnBracket, joint, this.rules));
        if (between)
          for (const at of members) {
            const side = speakerSide[at] as number;
            const group = bySide.get(side);
            if (group) group.push({ at, between });
            else bySide.set(side, [{ at, between }]);
          }
      }
      return Array.from(bySide, ([side, members]) => ({ speakerSide: side, members }));
    });
  }
}

/** The joint where it holds, or nobody can say yet. */
export function mated(joint: JudgedJoint): JudgedJoint | null {
  return joint.figures.gravity === HITS ? null : joint;
}

function known<Found>(all: (Found | undefined)[], key: number, find: () => Found): Found {
  let found = all[key];
  if (found === undefined) {
    found = find();
    all[key] = found;
  }
  return found;
}
