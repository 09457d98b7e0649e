/**
 * The body behind a speaker's flange, from what its catalogue says.
 *
 * With sections given, they are the body. With only depth, cutout and magnet, a typical profile on the cautious side
 * stands in: the basket keeps its full width to 35 % of the depth, then narrows to the magnet's width at 65 %, and the
 * magnet keeps its width to the end. Real shoulders lie between 20 and 45 %, and 50 and 70 % (common practice, no source);
 * the doubt is one dimension, `speaker.profile`, that moves both shoulders.
 */
import { extents } from '../geometry/Outline';
import { convexPieces, RING_STRIDE, type RingsMm } from '../geometry/PlacedBody';
import { linear, named, type Quantity, quantity, scaled, sumOf } from '../uncertainty/Quantity';
import type { FitSpeaker } from './shapes';
import { depthBelowFlange } from './stack';

export type BodyRing = { readonly depth: Quantity; readonly halfLength: Quantity; readonly halfWidth: Quantity };

export type Body = {
  readonly rings: readonly BodyRing[];
  /** The rings' values for the kernels, with their convex pieces. */
  readonly ringsMm: RingsMm;
  readonly pieces: Int32Array;
  /** 1 for rings that are nearly the widest along or across: the others can never be what is tight in a hole. */
  readonly isWide: Uint8Array;
  /** Whether the sections are the catalogue's own. */
  readonly isStated: boolean;
};

export const TYPICAL_SHOULDERS = { basketTo: 0.35, magnetFrom: 0.65 } as const;
/** Standard uncertainty of the shoulders as a part of the depth: half of 25 % as a rectangular distribution. */
export const SHOULDER_DOUBT = 0.125 / Math.sqrt(3);

const NEARLY = 0.9;

const known = new WeakMap<FitSpeaker, Body>();

/** The body of a speaker; worked out once for each. */
export function speakerBody(speaker: FitSpeaker): Body {
  let body = known.get(speaker);
  if (!body) {
    body = newBody(speaker);
    known.set(speaker, body);
  }
  return body;
}

/** The same without keeping it: a whole catalogue's bodies, with all that they depend on, are a hundred megabytes. */
export function newBody(speaker: FitSpeaker): Body {
  const rings = speaker.profile.length > 0 ? statedRings(speaker) : typicalRings(speaker);
  const ringsMm = new Float64Array(rings.length * RING_STRIDE);
  rings.forEach(({ depth, halfLength, halfWidth }, index) => {
    ringsMm.set([depth.valueMm, halfLength.valueMm, halfWidth.valueMm], index * RING_STRIDE);
  });
  return {
    rings,
    ringsMm,
    pieces: convexPieces(ringsMm),
    isWide: wideRings(rings),
    isStated: speaker.profile.length > 0,
  };
}

function wideRings(rings: readonly BodyRing[]): Uint8Array {
  const most = (of: (ring: BodyRing) => number) => Math.max(...rings.map(of));
  const longest = most(({ halfLength }) => halfLength.valueMm);
  const widest = most(({ halfWidth }) => halfWidth.valueMm);
  return Uint8Array.from(rings, ({ halfLength, halfWidth }) =>
    halfLength.valueMm >= NEARLY * longest || halfWidth.valueMm >= NEARLY * widest ? 1 : 0,
  );
}

function typicalRings(speaker: FitSpeaker): readonly BodyRing[] {
  const end = linear(0, depthBelowFlange(speaker));
  const shoulder = named('speaker.profile', speaker.profileDoubt);
  const basket = halfBasket(speaker);
  const magnet = halfMagnet(speaker);
  return [
    { depth: { valueMm: 0, terms: [] }, ...basket },
    { depth: sumOf(scaled(end, TYPICAL_SHOULDERS.basketTo), shoulder), ...basket },
    { depth: sumOf(scaled(end, TYPICAL_SHOULDERS.magnetFrom), shoulder), ...magnet },
    { depth: end, ...magnet },
  ];
}

/** The first section is the basket at the flange and the last ends at the mounting depth, whatever the sections say. */
function statedRings(speaker: FitSpeaker): readonly BodyRing[] {
  const end = linear(0, depthBelowFlange(speaker));
  const widths = named('speaker.widths', speaker.widthDoubt);
  const depths = named('speaker.profile', speaker.profileDoubt);
  const half = (fullMm: number): Quantity => quantity(fullMm / 2 + widths.valueMm / 2, scaled(widths, 0.5).terms);
  return speaker.profile.map(({ depthMm, lengthMm, widthMm }, index) => ({
    depth:
      index === speaker.profile.length - 1
        ? end
        : quantity(depthMm + (depthMm > 0 ? depths.valueMm : 0), depthMm > 0 ? depths.terms : []),
    halfLength: half(lengthMm),
    halfWidth: half(widthMm),
  }));
}

function halfBasket({ basket }: FitSpeaker) {
  const { length, width } = extents(basket);
  const isRound = basket.kind === 'circle';
  return {
    halfLength: scaled(named(isRound ? 'speaker.basketDiameter' : 'speaker.basketLength', length), 0.5),
    halfWidth: scaled(named(isRound ? 'speaker.basketDiameter' : 'speaker.basketWidth', width), 0.5),
  };
}

/** A magnet is never wider than the basket it passes with. */
function halfMagnet({ magnetDiameter, basket }: FitSpeaker) {
  const { width } = extents(basket);
  const half = scaled(named('speaker.magnetDiameter', magnetDiameter), 0.5);
  const most = width.valueMm / 2;
  const within = half.valueMm <= most ? half : { ...half, valueMm: most };
  return { halfLength: within, halfWidth: within };
}
