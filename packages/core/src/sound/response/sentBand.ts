/** Where what feeds a channel ends, if it does not send everything. Nobody reads that off an amplifier: as ranges, from memory, of second order. */
import type { ChannelBand } from '../channel/Channel';
import type { Between } from '../channel/electrics';

type Ends = { readonly highPassHz: Between | null; readonly lowPassHz: Between | null };

export const SENT_HZ: Readonly<Record<ChannelBand, Ends>> = {
  full: { highPassHz: null, lowPassHz: null },
  bass: { highPassHz: null, lowPassHz: { least: 150, most: 5000 } },
  treble: { highPassHz: { least: 1500, most: 6000 }, lowPassHz: null },
  voices: { highPassHz: { least: 100, most: 400 }, lowPassHz: { least: 3000, most: 8000 } },
};

export type SentBand = { readonly highPassHz: number; readonly lowPassHz: number };

/** @param at where in its ranges each end lies, from 0 to 1: each octave is as likely */
export function sentBand(band: ChannelBand, at: readonly [number, number]): SentBand {
  const { highPassHz, lowPassHz } = SENT_HZ[band];
  return {
    highPassHz: highPassHz ? octavesWithin(highPassHz, at[0]) : 0,
    lowPassHz: lowPassHz ? octavesWithin(lowPassHz, at[1]) : Number.POSITIVE_INFINITY,
  };
}

/** dB: of a Butterworth filter of second order, −10 log10(1 + (f/fc)⁴), and its mirror image. */
export function sentDb({ highPassHz, lowPassHz }: SentBand, hz: number): number {
  return -10 * Math.log10((1 + (highPassHz / hz) ** 4) * (1 + (hz / lowPassHz) ** 4));
}

function octavesWithin({ least, most }: Between, at: number): number {
  return least * (most / least) ** at;
}
