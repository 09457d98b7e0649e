/**
 * Which stacks a speaker could be mounted with: what mates with what from the vehicle's screws to the speaker's holes, and
 * what may stand under it.
 *
 * Simplest first: straight onto the metal and every single bracket whose both sides mate; a bracket on a bracket only
 * where neither does (two plates are two joints that can rattle, common practice, no source). Where nothing mates the
 * bare speaker stands for the answer "the screws do not line up". On each chain that mates: no ring, one bought ring, or
 * one of each thickness of sheet that a ring can be cut from. Where none of these clears: a ring on a ring under the chain,
 * and a ring between the last bracket and the speaker.
 */
import { type BoltPattern, ellipseDistance, extents, patternHoles } from '../../geometry';
import { marginVerdict } from '../../uncertainty';
import { madeRings } from '../layout/rings';
import { canMate } from '../mates/canMate';
import { jointOf } from '../mates/joints';
import type {
  Candidate,
  FitBracket,
  FitCatalogue,
  FitLayer,
  FitOpening,
  FitRules,
  FitSpacer,
  FitSpeaker,
} from '../shapes';

export type Chain = readonly FitBracket[];

/** A ring that has to be cut counts as two added parts: it is a part and an hour at the saw. */
export const MADE_RING_PARTS = 2;

/** Whether two patterns go together: the screws land, or nobody can say yet. The second is turned. */
export function mates(screwSide: BoltPattern, holeSide: BoltPattern, rules: FitRules): boolean {
  if (!canMate(screwSide, holeSide, rules)) return false;
  return jointOf(screwSide, holeSide, rules).turns.some(
    ({ marginMm, expandedMm }) => marginVerdict({ valueMm: marginMm, expandedMm }) !== 'hits',
  );
}

/** Every chain on which a speaker can be mounted, simplest first. */
export function chainsFor(
  { bolts }: FitOpening,
  speaker: FitSpeaker,
  { brackets }: Pick<FitCatalogue, 'brackets'>,
  rules: FitRules,
): readonly Chain[] {
  if (!bolts) return [[]];
  const carries = ({ speakerBolts }: FitBracket) => mates(speakerBolts, speaker.bolts, rules);
  const onMetal = brackets.filter(({ vehicleBolts }) => mates(bolts, vehicleBolts, rules));
  const low = (chain: Chain) => raisedMm(chain) <= rules.mostRaisedMm;
  const straight: readonly Chain[] = mates(bolts, speaker.bolts, rules) ? [[]] : [];
  const simple = [...straight, ...onMetal.filter(carries).map((bracket) => [bracket])].filter(low);
  if (simple.length > 0) return simple;
  const double = onMetal.flatMap((lower) =>
    brackets
      .filter((upper) => mates(lower.speakerBolts, upper.vehicleBolts, rules) && carries(upper))
      .map((upper) => [lower, upper]),
  );
  const found = double.filter(low);
  return found.length > 0 ? found : [[]];
}

/** Rings that may go under a chain: bought ones, and each thickness of sheet. */
export function ringsFor({ spacers }: Pick<FitCatalogue, 'spacers'>, rules: FitRules): readonly FitSpacer[] {
  return [...spacers, ...madeRings(rules)];
}

/** One ring under a chain, in which the vehicle's screws land. */
export function ringStacks(
  { bolts }: Pick<FitOpening, 'bolts'>,
  chain: Chain,
  rings: readonly FitSpacer[],
  rules: FitRules,
): readonly (readonly FitLayer[])[] {
  if (!bolts) return [];
  return rings
    .filter((ring) => takesScrews(ring, bolts))
    .map((ring) => [ring, ...chain])
    .filter((layers) => raisedMm(layers) <= rules.mostRaisedMm);
}

/** Two rings under a chain, and one between its last bracket and the speaker. */
export function moreRingStacks(
  { bolts }: Pick<FitOpening, 'bolts'>,
  chain: Chain,
  rings: readonly FitSpacer[],
  rules: FitRules,
): readonly (readonly FitLayer[])[] {
  if (!bolts) return [];
  const under = rings.filter((ring) => takesScrews(ring, bolts));
  const pairs = under.flatMap((lower, at) => under.slice(at).map((upper) => [lower, upper, ...chain]));
  const top = chain[chain.length - 1];
  const between = top
    ? rings.filter((ring) => takesScrews(ring, top.speakerBolts)).map((ring) => [...chain, ring])
    : [];
  return [...between, ...pairs].filter((layers) => raisedMm(layers) <= rules.mostRaisedMm);
}

/** Whether screws stand in the wall of a ring, by the best estimate and without the wall that the shop asks; a ring that is cut to suit takes any. */
function takesScrews({ made, inner, outer }: FitSpacer, screws: BoltPattern): boolean {
  if (made) return true;
  const half = screws.holeDiameterMm / 2;
  return patternHoles(screws).every(({ xMm, yMm }) => {
    const [hole, edge] = [inner, outer].map((outline) => {
      const { length, width } = extents(outline);
      const ellipse = { xMm: 0, yMm: 0, halfLengthMm: length.valueMm / 2, halfWidthMm: width.valueMm / 2, angleRad: 0 };
      return ellipseDistance(ellipse, xMm, yMm).distanceMm;
    });
    return (hole as number) >= half && -(edge as number) >= half;
  });
}

export function raisedMm(layers: readonly FitLayer[]): number {
  return layers.reduce((sum, { height }) => sum + height.valueMm, 0);
}

/** The layer of an id: one of the catalogue, or a ring cut from sheet; null for one nobody knows. */
export function findLayer(
  { brackets, spacers }: Pick<FitCatalogue, 'brackets' | 'spacers'>,
  rules: FitRules,
  id: string,
): FitLayer | null {
  return (
    brackets.find((bracket) => bracket.id === id) ??
    spacers.find((spacer) => spacer.id === id) ??
    madeRings(rules).find((ring) => ring.id === id) ??
    null
  );
}

export function addedParts(layers: readonly FitLayer[]): number {
  return layers.reduce((sum, layer) => sum + (layer.kind === 'spacer' && layer.made ? MADE_RING_PARTS : 1), 0);
}

/** One speaker with what stands under it, by the piece, in minor units of the shop's currency. */
export function piecesCostMinor({ speaker, layers }: Candidate): number {
  return speaker.pieceCostMinor + layers.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0);
}
