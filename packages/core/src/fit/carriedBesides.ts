/** What comes to an opening besides its speaker's own sound, by a second plug or by further pins, and has to go on when the speaker is changed. */
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

/** Of what a second plug does, and what pins bring besides the speaker's sound, the graver; of two alike, that of which the pins are known. */
export function carriedBesides({ secondPlug, pinsBeyond }: Pick<FitOpening, 'secondPlug' | 'pinsBeyond'>): {
  readonly what: SecondPlug;
  /** "its second plug"; "pins 3 and 4 of its plug". */
  readonly through: string;
  readonly sentence: string;
} {
  const byPins = pinsBeyond && AS_SECOND_PLUG[pinsBeyond.carries];
  if (!byPins || SECOND_PLUG_ORDER.indexOf(secondPlug) < SECOND_PLUG_ORDER.indexOf(byPins))
    return { what: secondPlug, through: 'its second plug', sentence: SECOND_PLUG_WORDS[secondPlug] };
  return { what: byPins, through: pinsBeyond.words, sentence: PINS_WORDS[pinsBeyond.carries](pinsBeyond.words) };
}
