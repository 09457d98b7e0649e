/**
 * Every way in which the parts of a stack can be screwed together: the turns of its joints, and from them where each layer
 * lies and how the speaker is turned.
 *
 * Turns that change nothing but the names of the screws are one: a round bracket on its four holes is one placement, one
 * with an offset or a notch is four. Where something depends on the turn, the ends of the play count as turns of their own.
 */
import { type BoltPattern, patternHoles, symmetryOf } from '../../geometry';
import { ANGLE_STEP_RAD, NOTCH_REACH_RAD, SAME_PLACE_MM } from '../../math';
import { marginVerdict, sureness } from '../../uncertainty';
import { graver, type Verdict } from '../Check';
import type { Looks } from '../layout/SpeakerShape';
import type { FitBracket, FitOpening } from '../shapes';
import type { Joint, JointTurn } from './Joint';

/** Where the middle of a part's speaker side lies, mm, and how the part is turned, rad. */
export type LayerPlace = { readonly xMm: number; readonly yMm: number; readonly angleRad: number };

export type Placement = {
  /** Of each joint, from the vehicle to the speaker; empty where the vehicle's screws are not known. */
  readonly turns: readonly JointTurn[];
  /** Of each bracket, from the metal to the speaker; a ring lies as what is under it. */
  readonly places: readonly LayerPlace[];
  /** Of the speaker. */
  readonly at: LayerPlace;
  /** Where the notches point that the wire may take, rad: of each bracket that has one. */
  readonly notchesRad: readonly number[];
  /** No verdict is less grave than that of its screws and notches. */
  readonly floor: Verdict;
};

/** More placements than this of one stack are not tried: the best turns of each joint come first. */
const MOST_PLACEMENTS = 96;
/** Turns are told apart to this, rad: a tenth of a degree. */
const TOLD_APART_RAD = Math.PI / 1800;

/** Places are told apart to a hundredth of a millimetre. */
const STEPS_PER_MM = 100;

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

/**
 * @param brackets from the metal to the speaker; rings between them change no turn
 * @param looks at which turns the speaker is the same
 * @param joints of the brackets and then of the speaker, from the vehicle up; empty where the vehicle's screws are not known
 * @param opening where the wire comes from, null where nobody noted it; and how the hole lies
 * @returns never empty
 */
export function placementsOf(
  brackets: readonly FitBracket[],
  looks: Looks,
  joints: readonly Joint[],
  { plugRad, holeRad }: Pick<FitOpening, 'plugRad' | 'holeRad'>,
): readonly Placement[] {
  // From the speaker down: whether anything at or above a bracket changes with its turn.
  const hangs: Looks[] = new Array(brackets.length + 1).fill(looks);
  for (let at = brackets.length - 1; at >= 0; at--)
    hangs[at] = moreTurns(hangs[at + 1] as Looks, looksOf(brackets[at] as FitBracket, plugRad));
  let open: readonly Open[] = [{ ...CENTRE, turns: [], places: [], notchesRad: [], looks: '' }];
  brackets.forEach((bracket, at) => {
    const next = open.flatMap((each) =>
      turnsOf(
        joints[at],
        hangs[at] as Looks,
        each.angleRad - holeRad,
        wantedTurns(bracket.notchRad, plugRad, each.angleRad),
      ).map((turn) => onBracket(each, bracket, turn)),
    );
    open = distinct(next, bracket.speakerBolts);
  });
  const all = open.flatMap((each) =>
    turnsOf(joints[brackets.length], looks, each.angleRad - holeRad, []).map((turn): Placement => {
      const at = { xMm: each.xMm, yMm: each.yMm, angleRad: tidyTurn(each.angleRad + (turn?.turn.angleRad ?? 0)) };
      const turns = turn ? [...each.turns, turn] : each.turns;
      const { places, notchesRad } = each;
      return { turns, places, at, notchesRad, floor: floorOf(turns, notchesRad, plugRad) };
    }),
  );
  return bestOfEach(all, looks, plugRad).slice(0, MOST_PLACEMENTS);
}

/** Of placements at which everything lies alike the one whose notches can be reached, with most screws, the surest. */
function bestOfEach(all: readonly Placement[], looks: Looks, plugRad: number | null): readonly Placement[] {
  if (all.length === 1) return all;
  const best = new Map<string, { readonly placement: Placement; readonly score: readonly number[] }>();
  for (const placement of all) {
    const { at, places, notchesRad, turns } = placement;
    const key = [...places, at]
      .map(({ xMm, yMm, angleRad }, index, { length }) => {
        const turn = looks === 'round' ? '' : stepOf(angleRad, looks === 'oval' ? Math.PI : 2 * Math.PI);
        return [
          Math.round(xMm * STEPS_PER_MM),
          Math.round(yMm * STEPS_PER_MM),
          index === length - 1 ? turn : '',
        ].join();
      })
      .join(' ');
    const score = [
      areReached(notchesRad, plugRad) ? 1 : 0,
      turns.reduce((sum, { turn }) => sum + turn.landed, 0),
      Math.min(...turns.map(({ marginMm, expandedMm }) => sureness({ valueMm: marginMm, expandedMm }))),
    ];
    const before = best.get(key);
    if (!before || isGreater(score, before.score)) best.set(key, { placement, score });
  }
  return Array.from(best.values(), ({ placement }) => placement);
}

/** Whether the wire gets from the plug to every notch. */
function areReached(notchesRad: readonly number[], plugRad: number | null): boolean {
  return (
    plugRad === null || notchesRad.every((notch) => turnBetween(notch, plugRad) <= NOTCH_REACH_RAD + ANGLE_STEP_RAD)
  );
}

function floorOf(turns: readonly JointTurn[], notchesRad: readonly number[], plugRad: number | null): Verdict {
  return turns.reduce<Verdict>(
    (gravest, { marginMm, expandedMm }) => graver(gravest, marginVerdict({ valueMm: marginMm, expandedMm })),
    areReached(notchesRad, plugRad) ? 'clears' : 'hold',
  );
}

function isGreater(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((each, index) => each !== b[index]);
  return at >= 0 && (a[at] as number) > (b[at] as number);
}

type Open = LayerPlace &
  Pick<Placement, 'turns' | 'places' | 'notchesRad'> & {
    /** How the brackets so far look from outside, whatever their screws. */
    readonly looks: string;
  };

/** A notch alone matters only where somebody noted where the wire comes from. */
function looksOf(bracket: FitBracket, plugRad: number | null): Looks {
  const { offsetXMm, offsetYMm, notchRad } = bracket;
  if (offsetXMm !== 0 || offsetYMm !== 0 || (notchRad !== null && plugRad !== null)) return 'any';
  return isRoundPlate(bracket) ? 'round' : 'oval';
}

const LOOKS: readonly Looks[] = ['round', 'oval', 'any'];

function moreTurns(a: Looks, b: Looks): Looks {
  return LOOKS.indexOf(a) >= LOOKS.indexOf(b) ? a : b;
}

function isRoundPlate({ throat, plate }: FitBracket): boolean {
  return throat.kind === 'circle' && plate.kind === 'circle';
}

/** @param angleRad how what the joint stands on is turned, from how the hole lies */
function turnsOf(
  joint: Joint | undefined,
  looks: Looks,
  angleRad: number,
  wantedRad: readonly number[],
): readonly (JointTurn | null)[] {
  if (!joint) return [null];
  if (looks === 'round') return joint.turns.slice(0, 1);
  // An oval wants to lie along the hole's axes; nothing else depends on where in the play it is.
  return looks === 'oval'
    ? joint.turnsTowards([0, 1, 2, 3].map((quarter) => (quarter * Math.PI) / 2 - angleRad))
    : joint.turnsAround(wantedRad);
}

/** Turns at which the wire gets straight into the notch, or just reaches it from either side. */
function wantedTurns(notchRad: number | null, plugRad: number | null, angleRad: number): readonly number[] {
  if (notchRad === null || plugRad === null) return [];
  const straight = plugRad - notchRad - angleRad;
  return [straight, straight - WELL_REACHED_RAD, straight + WELL_REACHED_RAD];
}

/** A degree within the wire's reach. */
const WELL_REACHED_RAD = NOTCH_REACH_RAD - Math.PI / 180;

function onBracket(below: Open, bracket: FitBracket, turn: JointTurn | null): Open {
  const angleRad = below.angleRad + (turn?.turn.angleRad ?? 0);
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  const place = {
    xMm: below.xMm + bracket.offsetXMm * cos - bracket.offsetYMm * sin,
    yMm: below.yMm + bracket.offsetXMm * sin + bracket.offsetYMm * cos,
    angleRad,
  };
  const looks = [
    below.looks,
    isRoundPlate(bracket) ? '' : stepOf(angleRad, Math.PI),
    bracket.notchRad === null ? '' : stepOf(angleRad + bracket.notchRad, 2 * Math.PI),
    Math.round(place.xMm * STEPS_PER_MM),
    Math.round(place.yMm * STEPS_PER_MM),
  ].join();
  return {
    ...place,
    turns: turn ? [...below.turns, turn] : below.turns,
    places: [...below.places, place],
    notchesRad: bracket.notchRad === null ? below.notchesRad : [...below.notchesRad, angleRad + bracket.notchRad],
    looks,
  };
}

/** Those that differ in a place, in a notch, or in how the next screws stand; the first of equals. */
function distinct(all: readonly Open[], screws: BoltPattern): readonly Open[] {
  if (all.length === 1) return all;
  const partRad = (2 * Math.PI) / symmetryOf(patternHoles(screws), false);
  const seen = new Set<string>();
  return all.filter(({ angleRad, looks }) => {
    const key = `${looks}/${stepOf(angleRad, partRad)}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

function stepOf(angle: number, partRad: number): number {
  const steps = Math.round((((angle % partRad) + partRad) % partRad) / TOLD_APART_RAD);
  return steps === Math.round(partRad / TOLD_APART_RAD) ? 0 : steps;
}

/** The lesser angle between two directions, 0 to π. */
export function turnBetween(a: number, b: number): number {
  const off = Math.abs(a - b) % (2 * Math.PI);
  return Math.min(off, 2 * Math.PI - off);
}

/** A full turn is no turn: what is left of it after rounding would only make an aligned oval look turned. */
function tidyTurn(angle: number): number {
  const turn = ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  return Math.min(turn, 2 * Math.PI - turn) < SAME_PLACE_MM ? 0 : turn;
}
