/**
 * Whether two bolt patterns can go together at all, by where their screws and holes lie about the centre: a bound, so that
 * only pairs that are worth a search over angles are turned.
 */
import { type BoltPattern, enoughScrews, patternDimensions, patternHoles } from '../../geometry';
import { coverageFactor, wholeUncertaintyMm } from '../../uncertainty';
import type { FitRules } from '../shapes';

/** Where the screws or holes of a pattern lie, and how sure that is. */
type Places = {
  readonly diameterMm: number;
  readonly radiiMm: readonly number[];
  readonly anglesRad: readonly number[];
  /** How far a slot lets a screw off its middle, mm. */
  readonly slotsMm: readonly number[];
  readonly doubtMm: number;
  readonly leastFreedom: number;
};

/** Turns at which a screw may land in a hole: so far to both sides of the one at which they point the same way. */
type Turns = { readonly screw: number; readonly middleRad: number; readonly halfRad: number };

const FULL_TURN = 2 * Math.PI;
/** Room for rounding: turns that only touch go together. */
const ROUNDING_RAD = 1e-9;

const known = new WeakMap<BoltPattern, Places>();

/** False is certain: at no turn do enough screws lie where a hole, its slot and all doubt of both let them. */
export function canMate(screwSide: BoltPattern, holeSide: BoltPattern, rules: FitRules): boolean {
  const screws = placesOf(screwSide);
  const holes = placesOf(holeSide);
  const enough = enoughScrews(screws.radiiMm.length);
  const turns = landingTurns(screws, holes, allowedMm(screws, holes, rules), enough);
  return turns.some(({ middleRad, halfRad }) => landingAt(turns, middleRad - halfRad) >= enough);
}

function toleranceMm(screws: Places, holes: Places): number {
  return Math.max(0, (holes.diameterMm - screws.diameterMm) / 2);
}

/** How far a screw may seem to be off its hole or slot and still land, mm. */
function allowedMm(screws: Places, holes: Places, { confidence }: FitRules): number {
  const freedom = Math.min(screws.leastFreedom, holes.leastFreedom);
  const factor = coverageFactor(confidence, freedom < Infinity ? Math.max(1, Math.floor(freedom)) : null, 0);
  return toleranceMm(screws, holes) + (screws.doubtMm + holes.doubtMm) * factor;
}

/** Of all screws and holes; none where too few screws lie as far from the centre as a hole does. */
function landingTurns(screws: Places, holes: Places, allowedMm: number, enough: number): readonly Turns[] {
  const turns: Turns[] = [];
  let landing = 0;
  for (let screw = 0; screw < screws.radiiMm.length; screw++) {
    const before = turns.length;
    for (let hole = 0; hole < holes.radiiMm.length; hole++) addTurns(turns, screws, screw, holes, hole, allowedMm);
    if (turns.length > before) landing++;
  }
  return landing < enough ? [] : turns;
}

/** By the law of cosines: two points are so near each other only while their directions are. */
function addTurns(turns: Turns[], screws: Places, screw: number, holes: Places, hole: number, allowedMm: number): void {
  const radius = screws.radiiMm[screw] as number;
  const other = holes.radiiMm[hole] as number;
  const nearMm = allowedMm + (holes.slotsMm[hole] as number);
  if (Math.abs(radius - other) > nearMm) return;
  const product = 2 * radius * other;
  const cos = product > 0 ? (radius * radius + other * other - nearMm * nearMm) / product : -1;
  turns.push({
    screw,
    middleRad: (screws.anglesRad[screw] as number) - (holes.anglesRad[hole] as number),
    halfRad: Math.acos(Math.max(-1, Math.min(1, cos))),
  });
}

/** How many screws may land at a turn. */
function landingAt(turns: readonly Turns[], angleRad: number): number {
  let landing = 0;
  let last = -1;
  for (let at = 0; at < turns.length; at++) {
    const { screw, middleRad, halfRad } = turns[at] as Turns;
    if (screw === last) continue;
    const off = Math.abs(angleRad - middleRad) % FULL_TURN;
    if (Math.min(off, FULL_TURN - off) > halfRad + ROUNDING_RAD) continue;
    landing++;
    last = screw;
  }
  return landing;
}

function placesOf(pattern: BoltPattern): Places {
  let places = known.get(pattern);
  if (!places) {
    const dimensions = patternDimensions(pattern.shape).map(({ dimension }) => dimension);
    const holes = patternHoles(pattern);
    places = {
      diameterMm: pattern.holeDiameterMm,
      radiiMm: holes.map(({ xMm, yMm }) => Math.hypot(xMm, yMm)),
      anglesRad: holes.map(({ xMm, yMm }) => Math.atan2(yMm, xMm)),
      slotsMm: holes.map(({ slotXMm, slotYMm }) => Math.hypot(slotXMm, slotYMm)),
      doubtMm: dimensions.reduce((sum, dimension) => sum + wholeUncertaintyMm(dimension), 0),
      leastFreedom: Math.min(...dimensions.map(({ degreesOfFreedom }) => degreesOfFreedom ?? Number.POSITIVE_INFINITY)),
    };
    known.set(pattern, places);
  }
  return places;
}
