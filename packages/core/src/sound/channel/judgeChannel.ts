/**
 * Does it play, is its load stood, is its power right, and is nothing silent or doubled? The questions to one channel, each answered with one
 * of the four words, a sentence, and what would settle it. What nobody knows is never "clears".
 */
import { bandCheck } from './bandCheck';
import type { Channel, ChannelCheck } from './Channel';
import { loadCheck } from './loadCheck';
import { powerCheck } from './powerCheck';
import { wireCheck } from './wireCheck';

/**
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 * @returns one of each, in the order of `CHANNEL_CHECKS`
 */
export function judgeChannel(channel: Channel, confidence: number): readonly ChannelCheck[] {
  return [loadCheck(channel, confidence), bandCheck(channel), powerCheck(channel), wireCheck(channel)];
}
