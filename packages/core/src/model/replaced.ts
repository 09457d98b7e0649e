/** What is in doubt of the speaker in whose place another is ordered. */
import { CAUSE_WORDS, isCoilUnknown } from '../sound';
import { isHeardWrong } from './oldSpeaker';
import { coilOf, foundCause } from './oldSpeakerFound';
import type { OpeningRecord } from './opening';

type Replaced = Pick<OpeningRecord, 'presence' | 'oldSpeaker'>;

/** Nobody has heard it alone, read its coil or seen it torn, or looked whether it is there: that it has to go is assumed. */
export function isAssumed({ presence, oldSpeaker: old }: Replaced): boolean {
  if (presence !== 'fitted') return presence === 'notLooked';
  return old === null || (old.plays === 'notTried' && isCoilUnknown(coilOf(old)) && old.damage.length === 0);
}

/**
 * @returns why nothing is ordered for a place that is silent or sounds wrong before it is known that its speaker is why, such as "it is
 *   silent, and nobody knows why. Do not order for it yet."; null where nothing is against it
 */
export function faultHold({ presence, oldSpeaker: old }: Replaced): string | null {
  if (presence !== 'fitted' || old === null || !isHeardWrong(old)) return null;
  const cause = foundCause(old);
  if (cause === 'speaker') return null;
  if (cause) return `it is ${CAUSE_WORDS[cause]}. Put that right first.`;
  const is = old.plays === 'silent' ? 'silent' : 'heard to be wrong';
  return `it is ${is}, and nobody knows why. Do not order for it yet.`;
}
