/**
 * Wire way: the bracket's notch points to where the factory plug comes from, at the turn at which the screws land. A wire
 * that has to go round the flange is pinched under it or ends before the terminals.
 */
import { radToDeg } from '../../units/angle';
import { type Check, factCheck, unjudgedCheck } from '../Check';
import { type Mount, turnBetween } from '../mount';
import type { FitOpening } from '../shapes';

/** A wire reaches round an eighth of a turn behind a plate (common practice, no source). */
export const NOTCH_REACH_RAD = Math.PI / 4;

export function wireWayCheck({ plugRad }: FitOpening, { notchRad }: Mount): Check {
  if (notchRad === null) {
    return factCheck(
      'wireWay',
      'clears',
      'No bracket with a wire notch is in the way: the wire comes through the hole.',
    );
  }
  if (plugRad === null) {
    return unjudgedCheck(
      'wireWay',
      'Nobody noted where the plug comes from, and the bracket has a wire notch. Look at it.',
    );
  }
  const degrees = Math.round(radToDeg(turnBetween(notchRad, plugRad)));
  return reachesNotch(plugRad, notchRad)
    ? factCheck('wireWay', 'clears', `The wire notch lies ${degrees}° from where the plug comes.`)
    : factCheck(
        'wireWay',
        'hold',
        `At the turn at which the screws land the wire notch lies ${degrees}° from where the plug comes: cut a new notch, or lengthen the wire.`,
      );
}

/** Whether the wire gets from the plug to a notch that points there. */
export function reachesNotch(plugRad: number, notchRad: number): boolean {
  return turnBetween(notchRad, plugRad) <= NOTCH_REACH_RAD;
}
