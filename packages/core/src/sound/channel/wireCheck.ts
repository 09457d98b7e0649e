/**
 * Whether the wire that is there serves, or new wire has to be run: factory wire to about 80 W RMS, new wire above about 120 (common practice, no
 * source), and no new wire through a boot in which a connector sits.
 */
import { type Channel, type ChannelCheck, changedLoads, channelCheck } from './Channel';

const FACTORY_WIRE_W = 80;
const NEW_WIRE_W = 120;
const NEW_WIRE = 'New wire: 1.5 mm² (16 AWG) to a woofer, 0.75 mm² (18 AWG) to a tweeter is ordinary.';

export function wireCheck(channel: Channel): ChannelCheck {
  const { power, isRadio, wire } = channel;
  if (changedLoads(channel).length === 0) return channelCheck('wire', 'clears', 'No new speaker hangs on it.', null);
  if (wire === 'new') {
    const inDoors = changedLoads(channel).filter(({ isInDoor }) => isInDoor);
    return newWireCheck(
      inDoors.map(({ label }) => label),
      channel.boot,
    );
  }
  if (isRadio) return channelCheck('wire', 'clears', 'No radio gives more than the factory wire carries.', null);
  if (power === null || power.rating !== 'RMS')
    return channelCheck(
      'wire',
      'measure',
      'Whether the factory wire serves follows from the RMS power, and nobody says that.',
      'Look at the amplifier’s sheet, or run new wire and note that with the channel.',
    );
  const { watt } = power;
  if (watt <= FACTORY_WIRE_W)
    return channelCheck('wire', 'clears', `${watt} W RMS: factory wire serves to about ${FACTORY_WIRE_W} W.`, null);
  if (watt <= NEW_WIRE_W)
    return wire === 'factory'
      ? channelCheck('wire', 'clears', `${watt} W RMS over factory wire: somebody decided that it serves.`, null)
      : channelCheck(
          'wire',
          'measure',
          `${watt} W RMS: factory wire serves to about ${FACTORY_WIRE_W} W, and above ${NEW_WIRE_W} it does not.`,
          `Look how thick it is, and note with the channel which wire is taken. ${NEW_WIRE}`,
        );
  return channelCheck(
    'wire',
    'hold',
    `${watt} W RMS is too much for factory wire, which serves to about ${FACTORY_WIRE_W} W.`,
    `${NEW_WIRE} Note it with the channel once it is decided.`,
  );
}

/** @param labels places in doors to which it is run; none where it is run elsewhere */
export function newWireCheck(labels: readonly string[], boot: Channel['boot']): ChannelCheck {
  if (labels.length === 0 || boot === 'open') return channelCheck('wire', 'clears', 'New wire is run.', null);
  const where = labels.join(' and ');
  switch (boot) {
    case 'connector':
      return channelCheck(
        'wire',
        'hold',
        `New wire is to be run to ${where}, and a connector sits in the boot: nothing goes through but by its empty positions.`,
        'Use its empty positions, keep the factory wire, or put the speaker elsewhere.',
      );
    case 'none':
      return channelCheck(
        'wire',
        'measure',
        `New wire is to be run to ${where}, and there is no boot: it would lie in the hinge’s gap.`,
        'Find a way that is no gap, or note it as an open point of the hand-over.',
      );
    default:
      return channelCheck(
        'wire',
        'measure',
        `New wire is to be run to ${where}, and nobody looked whether it goes through the boot.`,
        'Open the door and put a finger behind the rubber.',
      );
  }
}
