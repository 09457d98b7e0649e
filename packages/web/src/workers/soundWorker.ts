/** Works out the bands of sound off the screen's thread: thousands of networks for each channel. */
import {
  type ChannelLoad,
  type ChannelResponse,
  channelResponse,
  type FilterEffect,
  type FilterLevelBand,
  filterEffect,
  filterLevelBand,
  type HeardChannel,
  type ImpedanceBand,
  impedanceBand,
  knownLoads,
  type LineFilter,
} from '@low-quarry/core/sound';
import { expose } from 'comlink';

const worker = {
  /** Null where of something on the channel nobody knows the impedance. */
  async impedance(loads: readonly ChannelLoad[], joined: 'parallel' | 'series'): Promise<ImpedanceBand | null> {
    const { known, unknown } = knownLoads(loads);
    return known.length === 0 || unknown.length > 0 ? null : impedanceBand(known, joined);
  },

  /** What plays over frequency; null where of something that plays now nobody knows what it is, or its ohms. */
  async response(now: HeardChannel, before: HeardChannel | null): Promise<ChannelResponse | null> {
    return channelResponse(now, before);
  },

  /**
   * What a filter does before a speaker, and what it would do before its nominal value as a resistance; null where nobody knows the speaker's
   * impedance.
   */
  async filter(filter: LineFilter, load: ChannelLoad): Promise<FilterEffect | null> {
    const [known] = knownLoads([load]).known;
    if (!known) return null;
    return filterEffect(filter, known.ranges, load.electrics.nominalOhm ?? known.ranges.coilOhm.most);
  },

  /** How much it takes over frequency; null where nobody knows the speaker's impedance. */
  async filterLevel(filter: LineFilter, load: ChannelLoad): Promise<FilterLevelBand | null> {
    const [known] = knownLoads([load]).known;
    return known ? filterLevelBand(filter, known.ranges) : null;
  },
};
export type SoundWorker = typeof worker;

expose(worker);
