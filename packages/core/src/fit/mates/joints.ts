/** The joints of a stack, each pair of patterns turned on each other once, however many parts have them. */
import { type BoltPattern, patternDimensions } from '../../geometry';
import { Expansion } from '../../uncertainty';
import type { Candidate, FitBracket, FitOpening, FitRules } from '../shapes';
import { Joint } from './Joint';

/** More joints than this are not kept: a bolt circle that is dragged makes new ones at every step. */
const MOST_KEPT = 20_000;
/** More patterns than a catalogue has; two numbers of patterns make one. */
const PATTERNS = 2 ** 26;

type Known = { readonly expansion: Expansion; readonly joints: Map<number, Joint> };
const byConfidence = new Map<number, Known>();
const numbers = new WeakMap<BoltPattern, number>();
const byKey = new Map<string, number>();

/** Patterns with the same number turn alike on every other, and are as sure. */
export function patternNumber(pattern: BoltPattern): number {
  let number = numbers.get(pattern);
  if (number === undefined) {
    const key = keyOf(pattern);
    number = byKey.get(key) ?? byKey.size;
    byKey.set(key, number);
    numbers.set(pattern, number);
  }
  return number;
}

/** Two patterns as one number. */
export function pairNumber(screwSide: BoltPattern, holeSide: BoltPattern): number {
  return patternNumber(screwSide) * PATTERNS + patternNumber(holeSide);
}

function keyOf({ shape, holeDiameterMm, slotMm, slotRuns }: BoltPattern): string {
  const places =
    shape.kind === 'free'
      ? shape.holes
      : shape.kind === 'circle'
        ? [shape.count, shape.firstAngleRad]
        : [shape.turnRad ?? 0];
  const lengths = patternDimensions(shape).map(({ dimension: { origin, ...rest } }) => rest);
  return JSON.stringify([shape.kind, places, lengths, holeDiameterMm, slotMm, slotMm > 0 ? slotRuns : '']);
}

/** The joint of two patterns; the second is turned. */
export function jointOf(
  screwSide: BoltPattern,
  holeSide: BoltPattern,
  { confidence }: Pick<FitRules, 'confidence'>,
): Joint {
  let known = byConfidence.get(confidence);
  if (!known) {
    known = { expansion: new Expansion(confidence), joints: new Map() };
    byConfidence.set(confidence, known);
  }
  const key = pairNumber(screwSide, holeSide);
  let joint = known.joints.get(key);
  if (!joint) {
    joint = new Joint(screwSide, holeSide, known.expansion);
    if (known.joints.size >= MOST_KEPT) known.joints.clear();
    known.joints.set(key, joint);
  }
  return joint;
}

/** Of the brackets and then of the speaker, from the vehicle up; empty where the vehicle's screws are not known. */
export function jointsOf(
  { bolts }: Pick<FitOpening, 'bolts'>,
  { speaker, layers }: Candidate,
  rules: FitRules,
): readonly Joint[] {
  if (!bolts) return [];
  const brackets = layers.filter((layer): layer is FitBracket => layer.kind === 'bracket');
  const screws = [bolts, ...brackets.map(({ speakerBolts }) => speakerBolts)];
  const holes = [...brackets.map(({ vehicleBolts }) => vehicleBolts), speaker.bolts];
  return screws.map((each, at) => jointOf(each, holes[at] as BoltPattern, rules));
}
