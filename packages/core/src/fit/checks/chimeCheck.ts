/**
 * Chime: a second plug on the old speaker may carry the vehicle's warnings, and nothing that carries a warning may be
 * lost. What the second plug does is a fact to be found out, so anything but a known answer is a hold.
 */
import { type Check, factCheck } from '../Check';
import type { SecondPlug } from '../shapes';

export function chimeCheck(secondPlug: SecondPlug): Check {
  switch (secondPlug) {
    case 'none':
      return factCheck('chime', 'clears', 'The old speaker has one plug only.');
    case 'sound':
      return factCheck('chime', 'clears', 'The second plug carries ordinary sound, no warning.');
    case 'warning':
      return factCheck(
        'chime',
        'hold',
        "The second plug carries the vehicle's warning sounds. They must go on working: keep the factory sounder, or ask the vehicle maker.",
      );
    case 'unexplained':
      return factCheck(
        'chime',
        'hold',
        'There is a second plug and nobody knows what it does. Find out before the old speaker comes off.',
      );
    case 'notLooked':
      return factCheck('chime', 'hold', 'Nobody has looked whether the old speaker has a second plug.');
  }
}
