/** Whether what feeds a channel stands what hangs on it: the least impedance with its doubt, against what is sold as its least load. */
import { intervalVerdict } from '../../uncertainty';
import { type Channel, type ChannelCheck, channelCheck, labelsOf } from './Channel';
import { leastChannelImpedance } from './channelImpedance';
import { type KnownLoad, knownLoads } from './channelNetwork';
import { wholeHz } from './wholeHz';

/** What is sold as a load may come down to so much of it anywhere in its band (IEC 60268-5). */
export const LEAST_OF_NOMINAL = 0.8;

export function loadCheck({ loads, leastOhm, joined }: Channel, confidence: number): ChannelCheck {
  const { known, unknown } = knownLoads(loads);
  if (loads.length === 0)
    return channelCheck('load', 'measure', 'Nobody noted which speakers hang on it.', 'Say which places it feeds.');
  if (unknown.length > 0)
    return channelCheck(
      'load',
      'measure',
      `The impedance of what is in ${labelsOf(unknown)} is not known.`,
      'Read its coil with the meter, unplugged, or what is printed on its back.',
    );
  const { ohm, hz, expandedOhm } = leastChannelImpedance(known, joined, confidence);
  const seen = `${tenths(ohm)} ± ${tenths(expandedOhm)} Ω at ${wholeHz(hz)}`;
  if (leastOhm === null)
    return channelCheck(
      'load',
      'measure',
      `Its amplifier sees ${seen} at the least. Nobody says what it stands.`,
      'Look for the least load on the radio’s or amplifier’s label, or in its maker’s sheet.',
    );
  const margin = { ohm: ohm - LEAST_OF_NOMINAL * leastOhm, expandedOhm };
  const unsaid = known.filter(({ load: { crossover } }) => crossover?.isOfSet === null).map(({ load }) => load);
  const verdict = unsaid.length > 0 ? 'measure' : intervalVerdict(margin.ohm, margin.expandedOhm);
  const limit = `a load sold as ${leastOhm} Ω may come down to ${tenths(LEAST_OF_NOMINAL * leastOhm)} Ω`;
  const sentence = `Its amplifier sees ${seen} at the least; ${limit}.`;
  if (unsaid.length > 0)
    return channelCheck(
      'load',
      verdict,
      `${sentence} That is so if the crossover was made for these speakers, and nobody said: another may load the channel far more.`,
      `Say where the crossover before ${labelsOf(unsaid)} comes from.`,
      margin,
    );
  if (verdict === 'clears') return channelCheck('load', verdict, sentence, null, margin);
  const cure =
    loads.length > 1
      ? 'Take one of them off the channel, or take speakers of more ohms.'
      : 'Take a speaker of more ohms.';
  return channelCheck('load', verdict, sentence, verdict === 'hits' ? cure : settlesLoad(known), margin);
}

function settlesLoad(known: readonly KnownLoad[]): string {
  const notLooked = known.filter(({ load }) => load.before.kind === 'notLooked').map(({ load }) => load);
  if (notLooked.length > 0) return `Look whether a capacitor sits at ${labelsOf(notLooked)}.`;
  const unwritten = known.filter(({ load: { crossover } }) => crossover?.filter === null).map(({ load }) => load);
  if (unwritten.length > 0) return `Write down what the crossover before ${labelsOf(unwritten)} lets pass.`;
  const unreadCapacitors = known
    .filter(({ load: { before } }) => before.kind === 'capacitor' && before.farad === null)
    .map(({ load }) => load);
  if (unreadCapacitors.length > 0) return `Read what is printed on the capacitor at ${labelsOf(unreadCapacitors)}.`;
  const unread = known.filter(({ load }) => load.electrics.coilOhm === null).map(({ load }) => load);
  return `Read the coil of ${labelsOf(unread.length > 0 ? unread : known.map(({ load }) => load))} with the meter, unplugged.`;
}

/** Ohms are told to the cautious side: the load down. */
function tenths(ohm: number): string {
  return (Math.round(ohm * 10) / 10).toFixed(1);
}
