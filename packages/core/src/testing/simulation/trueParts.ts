/** A catalogue's claim of a part, and the part that comes in the box: every length off by up to the rounding. */

import { type BracketRecord, type SpeakerRecord, toFitCatalogue, type WholeSpeaker } from '../../catalogue';
import { TYPICAL_SHOULDERS } from '../../fit/layout/typicalShoulders';
import type { Candidate } from '../../fit/shapes';
import { offered, PLAINLY_LISTED, PLAINLY_NAMED } from '../offers';
import type { Ways } from './families';

export type SimulatedSpeaker = { readonly claimed: Candidate; readonly real: Candidate };

const ROUNDING_MM = 0.5;
/** What of the flange is not below it, by where a catalogue counts its depth from. */
const BELOW_SHARE = { underside: 0, top: 1, notStated: 0.5 } as const;
const half = (value: number) => Math.round(value * 2) / 2;

export function simulateSpeaker(at: number, ways: Ways, random: () => number): SimulatedSpeaker {
  const between = (low: number, high: number) => low + (high - low) * random();
  const isStated = ways.bodies === 'waist' || random() < 0.4;
  const basketMm = half(between(126, 142));
  const depthMm = half(between(45, 74));
  const magnetMm = half(basketMm * between(0.55, 0.75));
  const shoulderMm = depthMm * 0.125 * (2 * random() - 1);
  const direction = random() < 0.5 ? -1 : 1;
  const off = () => ROUNDING_MM * (ways.isMakerBiased ? direction * random() : 2 * random() - 1);
  const datum = (['underside', 'underside', 'top', 'notStated'] as const)[Math.floor(random() * 4)] ?? 'underside';
  const flangeMm = half(between(3, 6));
  const speaker: WholeSpeaker = {
    kind: 'speaker',
    id: `speaker-${at}`,
    maker: 'Test',
    name: `Speaker ${at}`,
    ...PLAINLY_NAMED,
    offers: [...offered(1, 5000)],
    roundingMm: ROUNDING_MM,
    speakerKind: 'coaxial',
    nominalSize: '6.5 in',
    basket: { kind: 'circle', diameterMm: basketMm },
    flange: { kind: 'circle', diameterMm: basketMm + 26 },
    flangeThicknessMm: flangeMm,
    mountingDepthMm: depthMm,
    depthDatum: datum,
    surroundMm: null,
    frontHeightMm: half(between(4, 12)),
    magnetDiameterMm: magnetMm,
    massG: null,
    profile: isStated ? sectionsOf(ways, basketMm, magnetMm, depthMm - BELOW_SHARE[datum] * flangeMm) : [],
    boxes: [],
    bolts: {
      shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: 45 },
      holeDiameterMm: 6.5,
      slotMm: 4,
      slotRuns: 'radial',
    },
    screws: [],
    terminals: 'bare ends',
    impedanceOhm: 4,
    rmsW: 50,
    otherRating: null,
    sensitivityDb: 90,
    sensitivityAt: 'notStated',
    ...PLAINLY_LISTED,
  };
  const bracket = ways.hasBrackets ? simulateBracket(basketMm, between) : null;
  return {
    claimed: candidateOf(speaker, bracket),
    real: candidateOf(toRealSpeaker(speaker, shoulderMm, off, random), bracket && toRealBracket(bracket, off)),
  };
}

/** From the flange inwards; a waist is narrower than the magnet behind it. */
function sectionsOf({ bodies }: Ways, basketMm: number, magnetMm: number, depthMm: number): SpeakerRecord['profile'] {
  const section = (share: number, mm: number) => ({
    depthMm: share === 1 ? depthMm : half(depthMm * share),
    lengthMm: mm,
    widthMm: mm,
  });
  if (bodies === 'waist') {
    const waistMm = half(magnetMm * 0.8);
    return [section(0, basketMm), section(0.35, basketMm), section(0.45, waistMm), section(0.6, waistMm)].concat([
      section(0.65, half(magnetMm * 1.15)),
      section(1, half(magnetMm * 1.15)),
    ]);
  }
  const { basketTo, magnetFrom } = TYPICAL_SHOULDERS;
  return [section(0, basketMm), section(basketTo, basketMm), section(magnetFrom, magnetMm), section(1, magnetMm)];
}

/** Turned by any angle, and its speaker's side beside the vehicle's. */
function simulateBracket(basketMm: number, between: (low: number, high: number) => number): BracketRecord {
  const turnDeg = between(0, 90);
  return {
    kind: 'bracket',
    id: 'bracket',
    maker: 'Test',
    name: 'Bracket',
    ...PLAINLY_NAMED,
    offers: [...offered(1, 1500)],
    roundingMm: 0.3,
    vehicleBolts: {
      shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: turnDeg },
      holeDiameterMm: 6,
      slotMm: 4,
      slotRuns: 'radial',
    },
    speakerBolts: {
      shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: turnDeg + between(0, 90) },
      holeDiameterMm: 4,
      slotMm: 0,
      slotRuns: 'radial',
    },
    throat: { kind: 'circle', diameterMm: half(basketMm + between(1, 6)) },
    plate: { kind: 'circle', diameterMm: 190 },
    heightMm: half(between(4, 18)),
    offsetXMm: half(between(-6, 6)),
    offsetYMm: half(between(-6, 6)),
    notchDeg: null,
    earMm: null,
    bossMm: null,
    wallMm: null,
    copies: [],
    screws: [],
    snapOffs: [],
  };
}

function toRealBracket(claimed: BracketRecord, off: () => number): BracketRecord {
  // A maker of brackets rounds finer than one of speakers.
  const own = () => (off() * claimed.roundingMm) / ROUNDING_MM;
  const throat = claimed.throat.kind === 'circle' ? claimed.throat.diameterMm + own() : 0;
  return {
    ...claimed,
    roundingMm: 0,
    heightMm: claimed.heightMm + own(),
    throat: { kind: 'circle', diameterMm: throat },
  };
}

function toRealSpeaker(
  claimed: WholeSpeaker,
  shoulderMm: number,
  off: () => number,
  random: () => number,
): WholeSpeaker {
  const isStated = claimed.profile.length > 0;
  const flange = claimed.flangeThicknessMm + off();
  const width = off();
  const depths = off();
  const basketMm = claimed.basket.kind === 'circle' ? claimed.basket.diameterMm + (isStated ? width : off()) : 0;
  const magnetMm = claimed.magnetDiameterMm + (isStated ? width : off());
  const listed = claimed.mountingDepthMm + off();
  // Measured from the top, from the underside, or from either where the catalogue does not say.
  const below = {
    top: listed - flange,
    underside: listed,
    notStated: listed - flange / 2 + (claimed.flangeThicknessMm / 2) * (2 * random() - 1),
  }[claimed.depthDatum];
  const stated = claimed.profile.map(({ depthMm, lengthMm, widthMm }, at) => ({
    depthMm: at === 0 ? 0 : at === claimed.profile.length - 1 ? below : depthMm + depths,
    lengthMm: lengthMm + width,
    widthMm: widthMm + width,
  }));
  const round = (depthMm: number, mm: number) => ({ depthMm, lengthMm: mm, widthMm: mm });
  const typical = [
    round(0, basketMm),
    round(below * TYPICAL_SHOULDERS.basketTo + shoulderMm, basketMm),
    round(below * TYPICAL_SHOULDERS.magnetFrom + shoulderMm, magnetMm),
    round(below, magnetMm),
  ];
  return {
    ...claimed,
    roundingMm: 0,
    basket: { kind: 'circle', diameterMm: basketMm },
    flange:
      claimed.flange.kind === 'circle'
        ? { ...claimed.flange, diameterMm: claimed.flange.diameterMm + off() }
        : claimed.flange,
    flangeThicknessMm: flange,
    mountingDepthMm: below,
    depthDatum: 'underside',
    frontHeightMm: claimed.frontHeightMm + off(),
    magnetDiameterMm: magnetMm,
    profile: isStated ? stated : typical,
  };
}

function candidateOf(speakerRecord: SpeakerRecord, bracketRecord: BracketRecord | null): Candidate {
  const { speakers, brackets } = toFitCatalogue([speakerRecord, ...(bracketRecord ? [bracketRecord] : [])]);
  const [speaker] = speakers;
  if (!speaker) throw new Error('simulation: expected a speaker');
  return { speaker, layers: brackets.slice(0, 1) };
}
