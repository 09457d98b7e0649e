/**
 * How a candidate sits in its opening: each joint at its best rotation, and from that where the speaker's axis is, how it
 * is turned, and where the wire notch points.
 */
import type { BoltPattern } from '../geometry/BoltPattern';
import type { PartOutline } from '../geometry/Outline';
import type { Pose } from '../geometry/PlacedBody';
import { pairCache } from '../math/pairCache';
import { type BoltJoint, boltJoint, type JointTurns, jointTurns } from './boltJoint';
import { bracketPrefix } from './dimensionNames';
import type { Candidate, FitBracket, FitOpening, FitSpeaker } from './shapes';
import { raised } from './stack';

export type NamedJoint = { readonly between: string; readonly joint: BoltJoint };

export type Mount = {
  /** From the vehicle to the speaker; empty where the vehicle's screws are not known. */
  readonly joints: readonly NamedJoint[];
  readonly pose: Pose;
  /** Where the notch of the first bracket that has one points, rad; null for none. */
  readonly notchRad: number | null;
};

/** A part with an oval opening goes onto its place in two ways only. */
const OVAL_TURNS = [0, Math.PI];

/** Rotations are the dear part of a judgement and depend on two shapes only, so each pair is turned once. */
export const speakerToVehicle = pairCache((opening: FitOpening, speaker: FitSpeaker) =>
  boltJoint(boltsOf(opening), speaker.bolts, { screws: 'opening.', holes: 'speaker.' }, turns(speaker.basket)),
);
export const bracketToVehicle = pairCache((opening: FitOpening, bracket: FitBracket) =>
  bracketJoint(opening, bracket, bracketTurns(opening, bracket)),
);

/** What brackets have in common whose vehicle sides differ in the direction of the notch alone. */
export function bracketTurns(opening: FitOpening, { vehicleBolts, throat }: FitBracket): JointTurns {
  return jointTurns(boltsOf(opening), vehicleBolts, turns(throat));
}

/** The joint of a bracket on the vehicle, from the rotations that are promising for its pattern. */
export function bracketJoint(opening: FitOpening, bracket: FitBracket, rotations: JointTurns): BoltJoint {
  const names = { screws: 'opening.', holes: 'bracket.vehicle.' };
  return boltJoint(boltsOf(opening), bracket.vehicleBolts, names, notchTurns(opening, bracket), rotations);
}

export const bracketToBracket = pairCache((lower: FitBracket, upper: FitBracket) =>
  boltJoint(
    lower.speakerBolts,
    upper.vehicleBolts,
    { screws: 'bracket.speaker.', holes: 'bracket2.vehicle.' },
    turns(upper.throat),
  ),
);
const onFirstBracket = pairCache((bracket: FitBracket, speaker: FitSpeaker) => onBracket(bracket, speaker, 0));
const onSecondBracket = pairCache((bracket: FitBracket, speaker: FitSpeaker) => onBracket(bracket, speaker, 1));

/** The joint of a speaker on the first (0) or second (1) bracket. */
export function speakerToBracket(index: 0 | 1, bracket: FitBracket, speaker: FitSpeaker): BoltJoint {
  return index === 0 ? onFirstBracket(bracket, speaker) : onSecondBracket(bracket, speaker);
}

function onBracket(bracket: FitBracket, speaker: FitSpeaker, index: 0 | 1): BoltJoint {
  return boltJoint(
    bracket.speakerBolts,
    speaker.bolts,
    { screws: `${bracketPrefix(index)}speaker.`, holes: 'speaker.' },
    turns(speaker.basket),
  );
}

export const JOINT_WORDS = {
  speaker: 'speaker',
  bracket: 'bracket',
  bracketOnBracket: 'bracket on bracket',
  speakerOnBracket: 'speaker on the bracket',
} as const;

export function mountOf(opening: FitOpening, candidate: Candidate): Mount {
  return composeMount(candidate, opening.bolts ? jointsOf(opening, candidate) : []);
}

/** Where the middle of a bracket's speaker side lies, and how the bracket is turned. */
export type BracketPlace = { readonly xMm: number; readonly yMm: number; readonly angleRad: number };

const ON_CENTRE: BracketPlace = { xMm: 0, yMm: 0, angleRad: 0 };

/** The places of the brackets of a chain, from the vehicle to the speaker: turns add up, and each offset turns with them. */
export function bracketPlaces(
  brackets: readonly Pick<FitBracket, 'offsetXMm' | 'offsetYMm'>[],
  joints: readonly NamedJoint[],
): readonly BracketPlace[] {
  const places: BracketPlace[] = [];
  let angleRad = 0;
  let xMm = 0;
  let yMm = 0;
  for (let index = 0; index < brackets.length; index++) {
    const { offsetXMm, offsetYMm } = brackets[index] as FitBracket;
    angleRad += joints[index]?.joint.rotation.angleRad ?? 0;
    const cos = Math.cos(angleRad);
    const sin = Math.sin(angleRad);
    xMm += offsetXMm * cos - offsetYMm * sin;
    yMm += offsetXMm * sin + offsetYMm * cos;
    places.push({ xMm, yMm, angleRad });
  }
  return places;
}

/** How a candidate sits when its joints are known, from the vehicle to the speaker. */
export function composeMount(candidate: Candidate, joints: readonly NamedJoint[]): Mount {
  const { brackets } = candidate;
  const places = bracketPlaces(brackets, joints);
  const turnRad = joints[brackets.length]?.joint.rotation.angleRad ?? 0;
  return { joints, notchRad: notchOn(brackets, places), pose: poseOn(places, turnRad, raised(candidate).valueMm) };
}

/** Where the notch of the first bracket that has one points, rad; null for none. */
export function notchOn(brackets: readonly FitBracket[], places: readonly BracketPlace[]): number | null {
  for (let index = 0; index < brackets.length; index++) {
    const notch = brackets[index]?.notchRad ?? null;
    if (notch !== null) return (places[index]?.angleRad ?? 0) + notch;
  }
  return null;
}

/** How a speaker sits on the last of some brackets, or straight on the metal, turned on it by so much. */
export function poseOn(places: readonly BracketPlace[], turnRad: number, raisedMm: number): Pose {
  const { xMm, yMm, angleRad } = places[places.length - 1] ?? ON_CENTRE;
  return { xMm, yMm, angleRad: tidyTurn(angleRad + turnRad), raisedMm };
}

function jointsOf(opening: FitOpening, { speaker, brackets }: Candidate): readonly NamedJoint[] {
  const [first, second] = brackets;
  if (!first) return [{ between: JOINT_WORDS.speaker, joint: speakerToVehicle(opening, speaker) }];
  const onMetal = { between: JOINT_WORDS.bracket, joint: bracketToVehicle(opening, first) };
  if (!second) return [onMetal, { between: JOINT_WORDS.speakerOnBracket, joint: speakerToBracket(0, first, speaker) }];
  return [
    onMetal,
    { between: JOINT_WORDS.bracketOnBracket, joint: bracketToBracket(first, second) },
    { between: JOINT_WORDS.speakerOnBracket, joint: speakerToBracket(1, second, speaker) },
  ];
}

function boltsOf({ bolts }: FitOpening): BoltPattern {
  if (!bolts) throw new Error('mount: expected an opening whose screws are known');
  return bolts;
}

function turns(outline: PartOutline): { readonly anglesRad?: readonly number[] } {
  return outline.kind === 'oval' ? { anglesRad: OVAL_TURNS } : {};
}

function notchTurns({ plugRad }: FitOpening, { notchRad }: FitBracket) {
  return plugRad === null || notchRad === null
    ? {}
    : { prefer: (angleRad: number) => turnBetween(angleRad + notchRad, plugRad) };
}

/** The lesser angle between two directions, 0 to π. */
export function turnBetween(a: number, b: number): number {
  const off = Math.abs(a - b) % (2 * Math.PI);
  return Math.min(off, 2 * Math.PI - off);
}

/** A full turn is no turn: what is left of it after rounding would only make an aligned oval look turned. */
function tidyTurn(angle: number): number {
  const turn = ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  return Math.min(turn, 2 * Math.PI - turn) < 1e-9 ? 0 : turn;
}
