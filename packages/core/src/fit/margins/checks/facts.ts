/**
 * Checks that no length decides: the wire's way, the plug, and what a second plug carries. Every "no" of theirs is a hold
 * with the decision that it asks for.
 */
import { NOTCH_REACH_RAD } from '../../../math';
import { radToDeg } from '../../../units';
import type { CheckId } from '../../Check';
import { besidesWords, bringsMore } from '../../carriedBesides';
import { turnBetween } from '../../mates/placements';
import type { Airbag, FitOpening, MadeFace, PinsBeyond, SecondPlug } from '../../shapes';
import type { CheckKind } from '../CheckKind';

const NO_NOTCH = 0;
const NOT_NOTED = 1;
const REACHES = 2;
const OFF = 3;

/**
 * Wire way: the notch of every bracket points to where the factory plug comes from. A wire that has to go round a plate is
 * pinched under it or ends before the terminals.
 */
export const wireWay: CheckKind = {
  askedAt: 4,
  mostSides: 1,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask({ opening, placement }, gaps) {
    const { plugRad } = opening.opening;
    const { notchesRad } = placement;
    if (notchesRad.length === 0) gaps.fact('clears', NO_NOTCH);
    else if (plugRad === null) gaps.notLooked('opening', NOT_NOTED);
    else if (farthestNotchRad(notchesRad, plugRad) <= NOTCH_REACH_RAD + NOTCH_ROUNDING_RAD)
      gaps.fact('clears', REACHES);
    else gaps.fact('hold', OFF);
  },
  tell({ opening, placement }, { tag }) {
    const degrees = Math.round(radToDeg(farthestNotchRad(placement.notchesRad, opening.opening.plugRad ?? 0)));
    const sentence = [
      'No bracket with a wire notch is in the way: the wire comes through the hole.',
      'Nobody noted where the plug comes from, and the bracket has a wire notch: look where the wire leaves the loom.',
      `The wire notch lies ${degrees}° from where the plug comes.`,
      `At the turn at which the screws land the wire notch lies ${degrees}° from where the plug comes: cut a new notch, or lengthen the wire.`,
    ][tag] as string;
    return { sentence, nearest: null };
  },
};

const NOTCH_ROUNDING_RAD = 1e-6;

function farthestNotchRad(notchesRad: readonly number[], plugRad: number): number {
  let farthest = 0;
  for (const notch of notchesRad) farthest = Math.max(farthest, turnBetween(notch, plugRad));
  return farthest;
}

/** Connector: from the vehicle's plug to the speaker's terminals through adapters, nothing cut. */
export const connector: CheckKind = {
  askedAt: 1,
  mostSides: 1,
  dependsOnTurn: () => false,
  setsHeight: null,
  ask({ opening, harness }, gaps) {
    if (opening.opening.wiring.kind !== 'connector') gaps.factOfOpening('hold', 0);
    else gaps.fact(harness ? 'clears' : 'hold', 0);
  },
  tell({ opening, harness, speaker }) {
    const { wiring } = opening.opening;
    const { terminals } = speaker.speaker;
    if (wiring.kind !== 'connector') return sentence(WIRING_WORDS[wiring.kind]);
    if (terminals === null)
      return sentence('Nobody noted what its wires are put on to: look at its terminals, and a lead can be found.');
    if (!harness)
      return sentence(
        `No adapter leads from ${wiring.connectorName} to ${terminals}: cutting the loom would be a decision.`,
      );
    const chain = harness.map(({ name }) => name).join(', then ');
    return sentence(`${wiring.connectorName} to ${terminals} through ${chain}; nothing is cut.`);
  },
};

const WIRING_WORDS = {
  noWires: 'This trim has no speaker wires here: new wire has to be run before a speaker makes sense.',
  cut: 'Its plug was cut off before: no lead plugs in. Find which wire is which, and decide how they are joined.',
  bare: 'Wires end here without a plug: no lead plugs in. Find which wire is which, and decide how they are joined.',
  broken: 'Its plug is broken: no lead holds in it. A new housing on the same terminals, or the wires are joined.',
  tapedBack:
    'Its wires are taped back behind this place: unwrap them, note what is on their end, and hear what they carry.',
  unknown: 'The factory plug has not been looked at: note which connector it is, or that there is none.',
} as const;

/**
 * Chime: a second plug on the old speaker, or more pins of its plug, may carry the vehicle's warnings, and nothing that carries a warning may be
 * lost. What the second plug does is a fact to be found out, so anything but a known answer is a hold.
 */
export const chime: CheckKind = {
  askedAt: 2,
  mostSides: 1,
  dependsOnTurn: () => false,
  setsHeight: null,
  ask({ opening }, gaps) {
    gaps.factOfOpening(bringsMore(opening.opening) ? 'hold' : 'clears', 0);
  },
  tell: ({ opening }) => sentence(besidesWords(opening.opening)),
};

const AIRBAG_WORDS: Readonly<Record<Airbag, string>> = {
  none: 'Somebody looked: no airbag sits behind or beside this cover.',
  notAsked: 'At this place nobody is asked to look for an airbag; the cautions say what may sit here.',
  near: "An airbag sits behind or beside this cover. The vehicle maker's manual decides whether anything may be changed here, and how.",
  notLooked:
    "Nobody has looked whether an airbag sits behind this cover: its mark and the vehicle maker's manual tell, before the cover comes off.",
};

/** Airbag: what hurts whoever gets it wrong, now or years later, is for the vehicle maker to say. */
export const airbag: CheckKind = {
  askedAt: 3,
  mostSides: 1,
  dependsOnTurn: () => false,
  setsHeight: null,
  ask({ opening }, gaps) {
    if (opening.opening.airbag === 'notAsked') gaps.notAsked(0);
    else gaps.factOfOpening(holdsForAirbag(opening.opening.airbag) ? 'hold' : 'clears', 0);
  },
  tell: ({ opening }) => sentence(AIRBAG_WORDS[opening.opening.airbag]),
};

function holdsForAirbag(found: Airbag): boolean {
  return found === 'near' || found === 'notLooked';
}

/** What is known of an opening that no length decides. */
export type OpeningFacts = {
  readonly airbag: Airbag;
  readonly secondPlug: SecondPlug;
  readonly pinsBeyond: readonly PinsBeyond[];
  readonly wiring: { readonly kind: FitOpening['wiring']['kind'] };
  readonly made: Pick<MadeFace, 'isOnClosed'> | null;
};

/** Why an opening is on hold before anything is chosen for it, what may be lost for good first; empty where it is not. */
export function openingHolds(facts: OpeningFacts): readonly { readonly check: CheckId; readonly sentence: string }[] {
  const { wiring } = facts;
  return [
    ...(bringsMore(facts) ? [{ check: 'chime' as const, sentence: besidesWords(facts) }] : []),
    ...(wiring.kind === 'connector' ? [] : [{ check: 'connector' as const, sentence: WIRING_WORDS[wiring.kind] }]),
    ...(holdsForAirbag(facts.airbag) ? [{ check: 'airbag' as const, sentence: AIRBAG_WORDS[facts.airbag] }] : []),
  ];
}

function sentence(words: string) {
  return { sentence: words, nearest: null };
}
