/**
 * What a hand changes at the bench or at the door so that a candidate clears: cloth cut away, new holes, a hole or a throat
 * filed, a ring thinned, a wire notch cut, a plate of one's own where no bracket mates. Each is made to the figures and judged again before it is named, with all else as it is.
 *
 * Minutes and how far a tool goes are common practice, no source.
 */
import type { HoleMm } from '../../geometry/BoltPattern';
import { mapOutline, mapPartOutline, type OutlineMm, outlineMm } from '../../geometry/Outline';
import { rectangleRoom } from '../../geometry/rectangleRoom';
import type { Dimension } from '../../uncertainty/Dimension';
import type { Check, CheckId } from '../Check';
import { type Judgement, ownChecks } from '../Judgement';
import { bracketsOf } from '../judgeCandidate';
import type { Candidate, FitLayer, FitOpening, FitRules, MountMaterial } from '../shapes';
import { type OwnPlate, ownPlates } from './ownPlate';

export const BENCH_KINDS = ['cutNotch', 'cutCloth', 'thinRing', 'fileThroat', 'fileHole', 'drill', 'cutPlate'] as const;
export type BenchKind = (typeof BENCH_KINDS)[number];

export type BenchChange = {
  readonly kind: BenchKind;
  /** As it is ordered: what is changed by hand is not another part. A plate that is cut stands in it. */
  readonly candidate: Candidate;
  /** How much is cut, filed all round or taken off; for cloth, what is missing; 0 where no length is. */
  readonly byMm: number;
  /** With `drill`: new holes, and through what. */
  readonly holes: number;
  readonly material: MountMaterial;
  /** With `cutPlate`. */
  readonly plate: OwnPlate | null;
};

/** What a change takes, for one side of the car. */
export const BENCH_FACTS: Readonly<Record<BenchKind, { readonly minutes: number; readonly firstFit: string }>> = {
  cutNotch: { minutes: 5, firstFit: 'the wire lies free when the screws are tight' },
  cutCloth: { minutes: 10, firstFit: 'nothing touches at full travel' },
  thinRing: { minutes: 15, firstFit: 'the ring lies flat, with no light under it' },
  fileThroat: { minutes: 10, firstFit: 'the basket drops in without being pushed' },
  fileHole: { minutes: 15, firstFit: 'the basket drops in without being pushed' },
  drill: { minutes: 10, firstFit: 'the flange lies flat over the new screws' },
  cutPlate: { minutes: 45, firstFit: 'both patterns line up before a screw is driven' },
};

/** The tallest part may stand so far into the cloth once it is cut away there, mm. */
export const CLOTH_MM = 6;
/** More than this is no filing, mm all round. */
const MOST_FILED_MM = 4;
/** More than this is another ring, mm. */
const MOST_THINNED_MM = 3;
/** A ring that is thinner bends between its screws, mm. */
const THINNEST_MM = 2;
/** A file does not go nearer than this, mm. */
const FILE_STEP_MM = 0.5;

type Judge = (opening: FitOpening, candidate: Candidate) => Judgement;

/**
 * @param now the candidate as it is; it does not clear
 * @param judge any opening with any candidate, with the same harness and rules
 * @returns those that make it clear, what is soonest done first
 */
export function benchChanges(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  judge: Judge,
  rules: FitRules,
): readonly BenchChange[] {
  const plain = { candidate, byMm: 0, holes: 0, material: opening.material, plate: null };
  const clears = (at: FitOpening, each: Candidate) => judge(at, each).verdict === 'clears';
  return [
    ...cutNotch(opening, candidate, now, clears).map(() => ({ ...plain, kind: 'cutNotch' as const })),
    ...cutCloth(opening, candidate, now, clears, rules).map((byMm) => ({ ...plain, kind: 'cutCloth' as const, byMm })),
    ...thinRing(opening, candidate, now, clears).map((byMm) => ({ ...plain, kind: 'thinRing' as const, byMm })),
    ...filed(opening, candidate, now, clears).map((each) => ({ ...plain, ...each })),
    ...(mayBeCut(opening) ? drilled(opening, candidate, now) : []).map((each) => ({ ...plain, ...each })),
    ...cutPlate(opening, candidate, now, clears, rules).map((plate) => ({
      ...plain,
      kind: 'cutPlate' as const,
      candidate: { ...candidate, layers: [plate.bracket] },
      plate,
    })),
  ];
}

/** Where an airbag sits, or nobody looked for one, nobody is told to file or drill the car. */
function mayBeCut({ airbag }: FitOpening): boolean {
  return airbag === 'none' || airbag === 'notAsked';
}

type Clears = (opening: FitOpening, candidate: Candidate) => boolean;

/** Only where the wire does not reach a notch: new ones where the plug comes from. */
function cutNotch(opening: FitOpening, candidate: Candidate, now: Judgement, clears: Clears): readonly null[] {
  const { plugRad } = opening;
  if (!onlyFails(now, 'wireWay') || plugRad === null) return [];
  let bracket = -1;
  const layers = candidate.layers.map((layer): FitLayer => {
    if (layer.kind !== 'bracket') return layer;
    bracket++;
    const turnRad = now.mount.placement.places[bracket]?.angleRad ?? 0;
    return layer.notchRad === null ? layer : { ...layer, notchRad: plugRad - turnRad };
  });
  return clears(opening, { ...candidate, layers }) ? [null] : [];
}

/** Only where the front alone is in the way. @returns what is missing there, mm */
function cutCloth(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  clears: Clears,
  rules: FitRules,
): readonly number[] {
  const { margin } = checkOf(now, 'front');
  if (!onlyFails(now, 'front') || !opening.frontGap || !margin) return [];
  const missing = [-margin.valueMm];
  if (opening.front.length > 0) {
    // Where layers are noted one by one, cloth is what is called cloth, and what lies behind it has to be free as it is.
    const front = opening.front.filter(({ kind }) => kind !== 'cloth');
    return front.length < opening.front.length && clears({ ...opening, front }, candidate) ? missing : [];
  }
  // Where the cloth is cut away nothing is asked of it, and there is what lies behind it; that has to be as sure as anything.
  return margin.valueMm + rules.clearancesMm.front + CLOTH_MM < margin.expandedMm ? [] : missing;
}

/** Only where the front alone is in the way: the thickest ring of the stack. @returns what comes off it, mm */
function thinRing(opening: FitOpening, candidate: Candidate, now: Judgement, clears: Clears): readonly number[] {
  const byMm = lackingMm(now, 'front');
  const rings = candidate.layers.filter(({ kind }) => kind === 'spacer');
  const [thickest] = [...rings].sort((a, b) => b.height.valueMm - a.height.valueMm);
  if (byMm === null || byMm > MOST_THINNED_MM || !thickest || thickest.height.valueMm - byMm < THINNEST_MM) return [];
  const layers = candidate.layers.map((layer) =>
    layer === thickest ? { ...layer, height: grown(layer.height, -byMm) } : layer,
  );
  return clears(opening, { ...candidate, layers }) ? [byMm] : [];
}

/** Only where the body does not pass a hole, and by little: the metal's, or the throats of the brackets. */
function filed(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  clears: Clears,
): readonly Pick<BenchChange, 'kind' | 'byMm'>[] {
  const byMm = lackingMm(now, 'hole');
  if (byMm === null || byMm > MOST_FILED_MM) return [];
  const layers = candidate.layers.map((layer): FitLayer => {
    if (layer.kind !== 'bracket') return layer;
    return { ...layer, throat: mapPartOutline(layer.throat, (length) => grown(length, 2 * byMm)) };
  });
  if (bracketsOf(candidate).length > 0 && clears(opening, { ...candidate, layers }))
    return [{ kind: 'fileThroat', byMm }];
  if (!mayBeCut(opening)) return [];
  const hole = mapOutline(
    opening.hole,
    (length, ending) => length && grown(length, ending === 'EdgeOffset' ? byMm : 2 * byMm),
  );
  return clears({ ...opening, hole }, candidate) ? [{ kind: 'fileHole', byMm }] : [];
}

/** Where nothing mates, so that the bare speaker stands for it: the thinnest plate with which all of it clears. */
function cutPlate(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  clears: Clears,
  rules: FitRules,
): readonly OwnPlate[] {
  if (candidate.layers.length > 0 || checkOf(now, 'bolts').verdict !== 'hits') return [];
  const plate = ownPlates(opening, candidate.speaker, rules).find(({ bracket }) =>
    clears(opening, { ...candidate, layers: [bracket] }),
  );
  return plate ? [plate] : [];
}

/** What makes a check sure when it is all that fails, in steps of a file; null where something else fails too. */
function lackingMm(now: Judgement, id: CheckId): number | null {
  const { margin } = checkOf(now, id);
  if (!onlyFails(now, id) || !margin) return null;
  return Math.ceil((margin.expandedMm - margin.valueMm) / FILE_STEP_MM) * FILE_STEP_MM;
}

function grown(length: Dimension, byMm: number): Dimension {
  return { ...length, valueMm: length.valueMm + byMm };
}

/**
 * Only where the screws alone are in the way: how many new holes would make enough of them hold. A new hole needs metal
 * around it: it may lie neither in the hole of the opening, or at its edge, nor beside an old screw hole.
 */
function drilled(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
): readonly Pick<BenchChange, 'kind' | 'holes'>[] {
  const [first] = now.mount.joints;
  const [turn] = now.mount.placement.turns;
  const hole = outlineMm(opening.hole);
  if (!onlyFails(now, 'bolts') || !first || !turn || !hole || bracketsOf(candidate).length > 0) return [];
  const diameterMm = first.screwSide.holeDiameterMm;
  const { angleRad, landed } = turn.turn;
  const places = first.holes.map(({ xMm, yMm }): Place => {
    const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
    return [xMm * cos - yMm * sin, xMm * sin + yMm * cos];
  });
  const free = places.filter(
    (place) => isInMetal(place, hole, opening.holeRad, diameterMm) && isAwayFrom(first.screws, place, diameterMm),
  );
  const wanted = first.enough - landed;
  return wanted > 0 && free.length >= wanted ? [{ kind: 'drill', holes: wanted }] : [];
}

type Place = readonly [number, number];

/** So many diameters of metal are left around a new hole (common practice, no source). */
const METAL_DIAMETERS = 1;

function isInMetal([xMm, yMm]: Place, hole: OutlineMm, holeRad: number, diameterMm: number): boolean {
  const at = { xMm, yMm, angleRad: 0, halfLengthMm: 0, halfWidthMm: 0 };
  const { roomMm } = rectangleRoom(hole, { xMm: 0, yMm: 0, angleRad: holeRad }, at);
  return -roomMm >= diameterMm / 2 + METAL_DIAMETERS * diameterMm;
}

function isAwayFrom(old: readonly HoleMm[], [x, y]: Place, diameterMm: number): boolean {
  return old.every(({ xMm, yMm }) => Math.hypot(x - xMm, y - yMm) >= (1 + METAL_DIAMETERS) * diameterMm);
}

function onlyFails(judgement: Judgement, id: CheckId): boolean {
  return ownChecks(judgement).every((check) =>
    check.id === id ? check.verdict !== 'clears' : check.verdict === 'clears',
  );
}

function checkOf({ checks }: Judgement, id: CheckId): Check {
  const found = checks.find((check) => check.id === id);
  if (!found) throw new Error(`benchChanges: expected a check ${id}`);
  return found;
}
