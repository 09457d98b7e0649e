/**
 * For what does not clear: the smallest changes that make it clear. Only changes that the engine has judged are named, and
 * each comes with its judgement.
 *
 * In the order in which a shop likes them: another spacer, another bracket, the grille's cloth cut behind the tallest part,
 * new holes, the next smaller size.
 */
import type { HoleMm } from '../../geometry/BoltPattern';
import { type OutlineMm, outlineMm } from '../../geometry/Outline';
import { rectangleRoom } from '../../geometry/rectangleRoom';
import type { Check, CheckId } from '../Check';
import { type Judgement, ownChecks } from '../Judgement';
import { bracketsOf, judgeWithHarness } from '../judgeCandidate';
import { addedParts, chainsFor, moreRingStacks, piecesCostMinor, ringStacks, ringsFor } from '../search/stacks';
import type { Candidate, FitCatalogue, FitHarnessAdapter, FitOpening, FitRules, MountMaterial } from '../shapes';

export type NearMiss =
  | { readonly kind: 'spacer' | 'bracket'; readonly candidate: Candidate; readonly judgement: Judgement }
  | { readonly kind: 'cutCloth'; readonly candidate: Candidate; readonly missingMm: number }
  | {
      readonly kind: 'drill';
      readonly candidate: Candidate;
      /** New holes, and through what. */
      readonly holes: number;
      readonly material: MountMaterial;
    }
  | { readonly kind: 'smaller'; readonly candidate: Candidate; readonly judgement: Judgement };

/** The tallest part may stand so far into the cloth once it is cut away there (common practice, no source), mm. */
export const CLOTH_MM = 6;
const MOST_OF_A_KIND = 2;

/**
 * @param smaller best stacks of smaller speakers, best first; those that clear are offered
 */
export function nearMisses(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: FitCatalogue,
  harness: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
  smaller: readonly Candidate[] = [],
): readonly NearMiss[] {
  const judge = (each: Candidate) => judgeWithHarness(opening, each, harness, rules, 'mm');
  const now = judge(candidate);
  if (now.verdict === 'clears') return [];
  return [
    ...otherStacks(opening, candidate, catalogue, rules, judge),
    ...cutCloth(opening, candidate, now, harness, rules),
    ...drilled(opening, candidate, now),
    ...smaller
      .map((each) => ({ kind: 'smaller' as const, candidate: each, judgement: judge(each) }))
      .filter(({ judgement }) => judgement.verdict === 'clears')
      .slice(0, MOST_OF_A_KIND),
  ];
}

/** Other spacers on these brackets, then other brackets, that clear: fewest parts first, then the cheapest. */
function otherStacks(
  opening: FitOpening,
  candidate: Candidate,
  catalogue: FitCatalogue,
  rules: FitRules,
  judge: (each: Candidate) => Judgement,
): readonly NearMiss[] {
  const { speaker } = candidate;
  const brackets = bracketsOf(candidate);
  const clearing = (list: readonly Candidate[], kind: 'spacer' | 'bracket') =>
    [...list]
      .sort((a, b) => addedParts(a.layers) - addedParts(b.layers) || piecesCostMinor(a) - piecesCostMinor(b))
      .map((each) => ({ kind, candidate: each, judgement: judge(each) }))
      .filter(({ judgement }) => judgement.verdict === 'clears')
      .slice(0, MOST_OF_A_KIND);
  const rings = ringsFor(catalogue, rules);
  const spaced = [brackets, ...ringStacks(opening, brackets, rings, rules)].map((layers) => ({ speaker, layers }));
  const others = chainsFor(opening, speaker, catalogue, rules)
    .filter((chain) => idsOf(chain) !== idsOf(brackets))
    .map((chain) => ({ speaker, layers: chain }));
  const one = clearing(spaced, 'spacer');
  const more = () =>
    clearing(
      moreRingStacks(opening, brackets, rings, rules).map((layers) => ({ speaker, layers })),
      'spacer',
    );
  return [...(one.length > 0 ? one : more()), ...clearing(others, 'bracket')];
}

function idsOf(layers: Candidate['layers']): string {
  return layers.map(({ id }) => id).join('+');
}

/** Only where the front alone is in the way, and by little. */
function cutCloth(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  harness: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
): readonly NearMiss[] {
  if (!onlyFails(now, 'front') || !opening.frontGap) return [];
  if (opening.front.length > 0) return cutNoted(opening, candidate, now, harness, rules);
  const margin = checkOf(now, 'front').margin;
  // Where the cloth is cut away nothing is asked of it, and there is what lies behind it; that has to be as sure as anything.
  if (!margin || margin.valueMm + rules.clearancesMm.front + CLOTH_MM < margin.expandedMm) return [];
  return [{ kind: 'cutCloth', candidate, missingMm: -margin.valueMm }];
}

/** Where layers are noted one by one, cloth is what is called cloth, and what lies behind it has to be free as it is. */
function cutNoted(
  opening: FitOpening,
  candidate: Candidate,
  now: Judgement,
  harness: readonly FitHarnessAdapter[] | null,
  rules: FitRules,
): readonly NearMiss[] {
  const front = opening.front.filter(({ kind }) => kind !== 'cloth');
  const margin = checkOf(now, 'front').margin;
  if (!margin || front.length === opening.front.length) return [];
  const { verdict } = judgeWithHarness({ ...opening, front }, candidate, harness, rules, 'mm');
  return verdict === 'clears' ? [{ kind: 'cutCloth', candidate, missingMm: -margin.valueMm }] : [];
}

/**
 * Only where the screws alone are in the way: how many new holes would make enough of them hold. A new hole needs metal
 * around it: it may lie neither in the hole of the opening, or at its edge, nor beside an old screw hole.
 */
function drilled(opening: FitOpening, candidate: Candidate, now: Judgement): readonly NearMiss[] {
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
  return wanted > 0 && free.length >= wanted
    ? [{ kind: 'drill', candidate, holes: wanted, material: opening.material }]
    : [];
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
  if (!found) throw new Error(`nearMisses: expected a check ${id}`);
  return found;
}
