/**
 * Which stacks a speaker could be mounted with: what mates with what from the vehicle's screws to the speaker's holes.
 *
 * Simplest first: straight onto the metal and every single bracket whose both sides mate; a bracket on a bracket only
 * where neither does (two plates are two joints that can rattle, common practice, no source). Where nothing mates the
 * bare speaker stands for the answer "the screws do not line up". On each chain that mates: no spacer, each bought spacer
 * in which the screws land, and each thickness of sheet that a ring can be cut from.
 */
import { rectangular } from '../uncertainty/Dimension';
import { marginVerdict, toMargin } from '../uncertainty/Margin';
import type { BoltJoint } from './boltJoint';
import { ringRoomOf } from './checks/boltsCheck';
import { bracketToVehicle, mountOf } from './mount';
import type { Candidate, FitBracket, FitCatalogue, FitOpening, FitRules, FitSpacer, FitSpeaker } from './shapes';
import { ringOf } from './spacerWindow';
import { raised } from './stack';

export type Chain = readonly FitBracket[];

/** A ring that has to be cut counts as two added parts: it is a part and an hour at the saw. */
export const MADE_RING_PARTS = 2;

/** Whether two patterns go together: the screws land, or nobody can say yet. */
export function mates({ margin }: Pick<BoltJoint, 'margin'>, confidence: number): boolean {
  return marginVerdict(toMargin(margin, confidence)) !== 'hits';
}

/** Every chain on which a speaker can be mounted, simplest first. */
export function chainsFor(
  opening: FitOpening,
  speaker: FitSpeaker,
  { brackets }: Pick<FitCatalogue, 'brackets'>,
  rules: FitRules,
): readonly Chain[] {
  if (!opening.bolts) return [[]];
  const isMated = (chain: Chain) =>
    raised({ brackets: chain, spacer: null }).valueMm <= rules.mostRaisedMm &&
    mountOf(opening, { speaker, brackets: chain, spacer: null }).joints.every(({ joint }) =>
      mates(joint, rules.confidence),
    );
  const onMetal = brackets.filter((bracket) => mates(bracketToVehicle(opening, bracket), rules.confidence));
  const simple = [[], ...onMetal.map((bracket) => [bracket])].filter(isMated);
  if (simple.length > 0) return simple;
  const double = onMetal.flatMap((lower) => brackets.map((upper) => [lower, upper])).filter(isMated);
  return double.length > 0 ? double : [[]];
}

/** The spacers that may go under a chain: bought ones in which the screws land, and rings cut from sheet. */
export function spacersFor(
  opening: FitOpening,
  { brackets }: Pick<Candidate, 'brackets'>,
  { spacers }: Pick<FitCatalogue, 'spacers'>,
  rules: FitRules,
): readonly FitSpacer[] {
  const { bolts } = opening;
  if (!bolts) return [];
  const bought = spacers.filter((spacer) => ringRoomOf(bolts, spacer).valueMm >= 0);
  return [...bought, ...madeRings(rules)].filter(
    (spacer) => raised({ brackets, spacer }).valueMm <= rules.mostRaisedMm,
  );
}

const known = new WeakMap<FitRules, readonly FitSpacer[]>();

/** Rings that can be cut from the shop's sheet, thinnest first. */
export function madeRings(rules: FitRules): readonly FitSpacer[] {
  let rings = known.get(rules);
  if (!rings) {
    rings = [...rules.stock]
      .sort((a, b) => a.thicknessMm - b.thicknessMm)
      .map(({ thicknessMm, halfWidthMm, ringCostMinor }) =>
        ringOf(thicknessMm, {
          name: `ring cut from ${thicknessMm} mm sheet`,
          height: rectangular(thicknessMm, halfWidthMm, 'catalogue'),
          pieceCostMinor: ringCostMinor,
        }),
      );
    known.set(rules, rings);
  }
  return rings;
}

/** The spacer of an id: one of the catalogue, or a ring cut from sheet; null for none, undefined for one nobody knows. */
export function findSpacer(
  { spacers }: Pick<FitCatalogue, 'spacers'>,
  rules: FitRules,
  id: string | null,
): FitSpacer | null | undefined {
  if (id === null) return null;
  return spacers.find((spacer) => spacer.id === id) ?? madeRings(rules).find((ring) => ring.id === id);
}

export function addedParts({ brackets, spacer }: Pick<Candidate, 'brackets' | 'spacer'>): number {
  return brackets.length + (spacer ? (spacer.made ? MADE_RING_PARTS : 1) : 0);
}

/** One speaker with its brackets and spacer, by the piece, in minor units of the shop's currency. */
export function piecesCostMinor({ speaker, brackets, spacer }: Candidate): number {
  return (
    speaker.pieceCostMinor +
    brackets.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0) +
    (spacer?.pieceCostMinor ?? 0)
  );
}
