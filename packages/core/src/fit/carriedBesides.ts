/**
 * What comes to an opening besides its speaker's own sound, by a second plug or by further pins, and has to go on when the speaker is changed.
 * All of it is told: what is decided of one covers no other.
 */
import type { FitOpening, PinsBeyond, SecondPlug } from './shapes';

const SECOND_PLUG_WORDS: Readonly<Record<SecondPlug, string>> = {
  none: 'The old speaker has one plug only.',
  soundAlone: 'The second plug carries ordinary sound, and its wires go to no other speaker.',
  soundOn: 'The second plug carries the sound on to another speaker, which falls silent when it is left off.',
  sound: 'The second plug carries ordinary sound. Nobody has looked whether its wires go on to another speaker.',
  warning:
    "The second plug carries the vehicle's warning sounds. They must go on working: keep the factory sounder, or ask the vehicle maker.",
  unexplained: 'There is a second plug and nobody knows what it does. Find out before the old speaker comes off.',
  notLooked: 'Nobody has looked whether the old speaker has a second plug.',
};

const PINS_WORDS: Readonly<Record<PinsBeyond['carries'], (pins: string) => string>> = {
  warning: (pins) =>
    `Through ${pins} come the vehicle's warning sounds. They must go on working: keep the factory sounder, or ask the vehicle maker.`,
  notKnown: (pins) => `Nobody has tried what comes through ${pins}. Find out before the old speaker comes off.`,
  feed: (pins) => `Through ${pins} the sound goes on to another speaker, which falls silent when they are left off.`,
};

/** What pins carry, in the words for a second plug. */
const AS_SECOND_PLUG = { warning: 'warning', notKnown: 'unexplained', feed: 'soundOn' } as const;
/** The gravest first. */
const SECOND_PLUG_ORDER: readonly SecondPlug[] = [
  'warning',
  'unexplained',
  'notLooked',
  'soundOn',
  'sound',
  'soundAlone',
  'none',
];

type Besides = Pick<FitOpening, 'secondPlug' | 'pinsBeyond'>;

export type Carried = {
  readonly what: SecondPlug;
  /** "its second plug"; "pins 3 and 4 of its plug". */
  readonly through: string;
  readonly sentence: string;
};

/** Whether anything comes that has to go on, or may: asked of every candidate, so that nothing is put into words for it. */
export function bringsMore({ secondPlug, pinsBeyond }: Besides): boolean {
  return pinsBeyond.length > 0 || (secondPlug !== 'none' && secondPlug !== 'soundAlone');
}

/** All that comes and has to go on, or may, the gravest first; of the second plug its pins, where they say the same. */
export function carriedBesides({ secondPlug, pinsBeyond }: Besides): readonly Carried[] {
  const byPins = pinsBeyond.map(({ carries, words }) => ({
    ...{ what: AS_SECOND_PLUG[carries], through: words, sentence: PINS_WORDS[carries](words) },
  }));
  const isToldByPins = pinsBeyond.some((each) => each.isOfSecondPlug && AS_SECOND_PLUG[each.carries] === secondPlug);
  const byPlug = { what: secondPlug, through: 'its second plug', sentence: SECOND_PLUG_WORDS[secondPlug] };
  const isPlugMore = bringsMore({ secondPlug, pinsBeyond: [] }) && !isToldByPins;
  const gravity = ({ what }: Carried) => SECOND_PLUG_ORDER.indexOf(what);
  return [...(isPlugMore ? [byPlug] : []), ...byPins].sort((one, other) => gravity(one) - gravity(other));
}

/** In sentences; where nothing comes, that. */
export function besidesWords(besides: Besides): string {
  const all = carriedBesides(besides);
  return all.length === 0 ? SECOND_PLUG_WORDS[besides.secondPlug] : all.map(({ sentence }) => sentence).join(' ');
}

const KNOWN: readonly SecondPlug[] = ['warning', 'soundOn'];

/**
 * What has to be kept, where all that comes is known: before, no way to keep it is offered.
 *
 * @returns null where something has to be looked at first, or nothing comes
 */
export function toBeKept(besides: Besides): { readonly isWarning: boolean; readonly isSoundOn: boolean } | null {
  const all = carriedBesides(besides).map(({ what }) => what);
  if (all.length === 0 || !all.every((what) => KNOWN.includes(what))) return null;
  return { isWarning: all.includes('warning'), isSoundOn: all.includes('soundOn') };
}
