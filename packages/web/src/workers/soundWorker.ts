/** Works out the bands of sound off the screen's thread: thousands of networks for each channel. */
import { type ChannelLoad, type ImpedanceBand, impedanceBand, knownLoads } from '@low-quarry/core/sound';
import { expose } from 'comlink';

const worker = {
  /** Null where of something on the channel nobody knows the impedance. */
  async impedance(loads: readonly ChannelLoad[], joined: 'parallel' | 'series'): Promise<ImpedanceBand | null> {
    const { known, unknown } = knownLoads(loads);
    return known.length === 0 || unknown.length > 0 ? null : impedanceBand(known, joined);
  },
};
export type SoundWorker = typeof worker;

expose(worker);
