/** One speaker on a channel of which only what a test is about is said. */
import type { ChannelLoad } from '../sound/channel/channelNetwork';
import type { Electrics } from '../sound/channel/electrics';

/** @param electrics what is known of it; by itself what is printed, 4 Ω */
export function plainLoad(
  fields: Partial<Omit<ChannelLoad, 'electrics'>>,
  electrics?: Partial<Electrics>,
): ChannelLoad {
  return {
    label: 'Front door, left',
    kind: 'coaxial',
    electrics: {
      ...{ nominalOhm: null, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
      ...(electrics ?? { nominalOhm: 4 }),
    },
    before: { kind: 'nothing' },
    line: null,
    crossover: null,
    isNew: true,
    isInDoor: true,
    rmsW: null,
    sensitivity: null,
    ...fields,
  };
}
