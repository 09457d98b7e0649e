/**
 * The body behind a speaker's flange, from what its catalogue says, in numbers.
 *
 * With sections given, they are the body. With only depth, cutout and magnet, a typical profile on the cautious side
 * stands in (`typicalShoulders`).
 */
import {
  convexPieces,
  extents,
  outlineLengths,
  patternDimensions,
  RING_STRIDE,
  type RingsMm,
  type Span,
} from '../../geometry';
import type { Dimension } from '../../uncertainty';
import type { Doubts } from '../margins/Doubts';
import type { FitSpeaker } from '../shapes';
import { SPEAKER, SPEAKER_SLOTS } from './slots';
import { TYPICAL_SHOULDERS } from './typicalShoulders';

/** What of the flange is taken off the listed depth, by where it counts from. */
export const DATUM_SHARE = { underside: 0, top: 1, notStated: 0.5 } as const;

const known = new WeakMap<FitSpeaker, SpeakerShape>();

/** The shape of a speaker; worked out once for each. */
export function speakerShape(speaker: FitSpeaker): SpeakerShape {
  let shape = known.get(speaker);
  if (!shape) {
    shape = new SpeakerShape(speaker);
    known.set(speaker, shape);
  }
  return shape;
}

/** At which turns a part is the same: at every one, after half of one, or at none. */
export type Looks = 'round' | 'oval' | 'any';

export class SpeakerShape {
  /** The rings' values for the kernels, with their convex pieces. */
  readonly ringsMm: RingsMm;
  readonly pieces: Int32Array;
  /** Whether the sections are the catalogue's own. */
  readonly isStated: boolean;
  /** How deep the body reaches below the underside of its flange, mm. */
  readonly depthMm: number;
  /** Flange and tallest part in front, mm. */
  readonly frontMm: number;
  readonly looks: Looks;
  readonly flangeSpan: Span;
  /** How far the body reaches from its axis at the most, mm. */
  readonly bodyReachMm: number;
  /** The same, terminals and all, mm. */
  readonly reachMm: number;
  /** Its dimensions, in the order of their slots. */
  readonly dimensions: readonly (Dimension | null)[];
  readonly names: readonly string[];
  /** What of the depth, and of the doubt about the shoulders, each ring's place follows. */
  private readonly depthShare: Float64Array;
  /** How far off its shoulders may lie at the most, mm. */
  readonly shoulderReachMm: number;
  private readonly follows: Uint8Array;

  constructor(readonly speaker: FitSpeaker) {
    const { profile, flangeThickness, mountingDepth, depthDoubt, depthDatum, boxes } = speaker;
    this.isStated = profile.length > 0;
    const share = DATUM_SHARE[depthDatum];
    this.depthMm = mountingDepth.valueMm - share * flangeThickness.valueMm + depthDoubt.valueMm;
    this.frontMm = flangeThickness.valueMm + speaker.frontHeight.valueMm;
    const rings = this.isStated ? statedRings(speaker, this.depthMm) : typicalRings(speaker, this.depthMm);
    this.ringsMm = Float64Array.from(rings.flatMap(({ depthMm, a, b }) => [depthMm, a, b]));
    this.pieces = convexPieces(this.ringsMm);
    this.depthShare = Float64Array.from(rings, ({ share: each }) => each);
    this.follows = Uint8Array.from(rings, ({ follows }) => (follows ? 1 : 0));
    const isRound = speaker.flange.kind === 'circle' && rings.every(({ a, b }) => a === b);
    this.looks = boxes.length > 0 ? 'any' : isRound ? 'round' : 'oval';
    const { length, width } = extents(speaker.flange);
    this.flangeSpan = {
      longestMm: Math.max(length.valueMm, width.valueMm),
      narrowestMm: Math.min(length.valueMm, width.valueMm),
    };
    this.bodyReachMm = Math.max(...rings.map(({ a, b }) => Math.max(a, b)));
    this.reachMm = Math.max(this.bodyReachMm, ...boxes.map(({ outerMm, widthMm }) => Math.hypot(outerMm, widthMm / 2)));
    this.shoulderReachMm = Math.sqrt(3) * speaker.profileDoubt.uncertaintyMm;
    this.dimensions = dimensionsOf(speaker);
    this.names = namesOf(speaker);
  }

  get ringCount(): number {
    return this.ringsMm.length / RING_STRIDE;
  }

  ringDepthMm(ring: number): number {
    return this.ringsMm[ring * RING_STRIDE] as number;
  }

  halfLengthMm(ring: number): number {
    return this.ringsMm[ring * RING_STRIDE + 1] as number;
  }

  halfWidthMm(ring: number): number {
    return this.ringsMm[ring * RING_STRIDE + 2] as number;
  }

  /** What a ring's depth below the flange depends on. */
  addDepth(doubts: Doubts, ring: number, by: number): void {
    const share = by * (this.depthShare[ring] as number);
    if (share !== 0) {
      const { depthDatum } = this.speaker;
      doubts.add(SPEAKER.mountingDepth, share);
      if (depthDatum !== 'underside') doubts.add(SPEAKER.flangeThickness, -share * DATUM_SHARE[depthDatum]);
      if (depthDatum === 'notStated') doubts.add(SPEAKER.depthDatum, share);
    }
    if (this.follows[ring] === 1) doubts.add(SPEAKER.profile, by);
  }

  /** What a ring's half length and half width depend on. */
  addWidths(doubts: Doubts, ring: number, byLength: number, byWidth: number): void {
    if (this.isStated) doubts.add(SPEAKER.widths, 0.5 * (byLength + byWidth));
    else if (ring >= this.ringCount / 2) doubts.add(SPEAKER.magnetDiameter, 0.5 * (byLength + byWidth));
    else if (this.speaker.basket.kind === 'circle') doubts.add(SPEAKER.basketLength, 0.5 * (byLength + byWidth));
    else {
      doubts.add(SPEAKER.basketLength, 0.5 * byLength);
      doubts.add(SPEAKER.basketWidth, 0.5 * byWidth);
    }
  }
}

type Ring = {
  readonly depthMm: number;
  /** Half length and half width, mm. */
  readonly a: number;
  readonly b: number;
  readonly share: number;
  readonly follows: boolean;
};

function typicalRings({ basket, magnetDiameter, profileDoubt }: FitSpeaker, depthMm: number): readonly Ring[] {
  const { length, width } = extents(basket);
  const wide = { a: length.valueMm / 2, b: width.valueMm / 2 };
  const narrow = { a: magnetDiameter.valueMm / 2, b: magnetDiameter.valueMm / 2 };
  const { basketTo, magnetFrom } = TYPICAL_SHOULDERS;
  const at = (share: number, follows: boolean) => ({
    depthMm: share * depthMm + (follows ? profileDoubt.valueMm : 0),
    share,
    follows,
  });
  return [
    { ...at(0, false), ...wide },
    { ...at(basketTo, true), ...wide },
    { ...at(magnetFrom, true), ...narrow },
    { ...at(1, false), ...narrow },
  ];
}

/** The last section ends at the mounting depth; where the catalogue says otherwise, `contradictions` asks about it. */
function statedRings({ profile, widthDoubt, profileDoubt }: FitSpeaker, depthMm: number): readonly Ring[] {
  const half = (fullMm: number) => (fullMm + widthDoubt.valueMm) / 2;
  return profile.map((section, index): Ring => {
    const sizes = { a: half(section.lengthMm), b: half(section.widthMm) };
    if (index === profile.length - 1) return { ...sizes, depthMm, share: 1, follows: false };
    const follows = section.depthMm > 0;
    return { ...sizes, depthMm: section.depthMm + (follows ? profileDoubt.valueMm : 0), share: 0, follows };
  });
}

function dimensionsOf(speaker: FitSpeaker): readonly (Dimension | null)[] {
  const dimensions: (Dimension | null)[] = new Array(SPEAKER_SLOTS).fill(null);
  outlineLengths(speaker.basket).forEach(([, length], at) => {
    dimensions[SPEAKER.basketLength + at] = length;
  });
  outlineLengths(speaker.flange).forEach(([, length], at) => {
    dimensions[SPEAKER.flangeLength + at] = length;
  });
  dimensions[SPEAKER.flangeThickness] = speaker.flangeThickness;
  dimensions[SPEAKER.mountingDepth] = speaker.mountingDepth;
  dimensions[SPEAKER.depthDatum] = speaker.depthDoubt;
  dimensions[SPEAKER.frontHeight] = speaker.frontHeight;
  dimensions[SPEAKER.magnetDiameter] = speaker.magnetDiameter;
  dimensions[SPEAKER.profile] = speaker.profileDoubt;
  dimensions[SPEAKER.widths] = speaker.widthDoubt;
  dimensions[SPEAKER.boxes] = speaker.boxDoubt;
  dimensions[SPEAKER.screws] = speaker.screwDoubt;
  patternDimensions(speaker.bolts.shape).forEach(({ dimension }, at) => {
    dimensions[SPEAKER.boltFirst + at] = dimension;
  });
  return dimensions;
}

function namesOf({ basket, flange, bolts }: FitSpeaker): readonly string[] {
  const names: string[] = new Array(SPEAKER_SLOTS).fill('');
  const put = (at: number, key: string) => {
    names[at] = `speaker.${key}`;
  };
  for (const [at, [ending]] of outlineLengths(basket).entries()) put(SPEAKER.basketLength + at, `basket${ending}`);
  for (const [at, [ending]] of outlineLengths(flange).entries()) put(SPEAKER.flangeLength + at, `flange${ending}`);
  put(SPEAKER.flangeThickness, 'flangeThickness');
  put(SPEAKER.mountingDepth, 'mountingDepth');
  put(SPEAKER.depthDatum, 'depthDatum');
  put(SPEAKER.frontHeight, 'frontHeight');
  put(SPEAKER.magnetDiameter, 'magnetDiameter');
  put(SPEAKER.profile, 'profile');
  put(SPEAKER.widths, 'widths');
  put(SPEAKER.boxes, 'boxes');
  put(SPEAKER.screws, 'screws');
  for (const [at, { key }] of patternDimensions(bolts.shape).entries()) put(SPEAKER.boltFirst + at, key);
  return names;
}
