/** New wire to a speaker: how much of it, how thick, and what it takes of the sound. */
import { METRIC_AREAS_MM2, ohmOfMetre } from './copper';

export type SignalWire = {
  /** Of the pair, with its slack, m. */
  readonly lengthM: number;
  readonly areaMm2: number;
  /** What the pair takes at the speaker's nominal value, dB; above 0. */
  readonly lossDb: number;
};

/** Outside the sweep of the hinge, and behind the radio for whoever takes it out later, m (common practice, no source). */
const HINGE_SLACK_M = 0.3;
const RADIO_SLACK_M = 0.3;
/** Less is not heard (common practice, no source). */
const MOST_LOSS_DB = 0.3;
/** What is ordinary to a woofer and to a tweeter, mm² (common practice: 16 and 18 AWG). */
const ORDINARY = { woofer: 1.5, tweeter: 0.75 } as const;

/**
 * @param wayM along the car's own loom
 * @param ohm nominal value of what hangs on it; above 0
 */
export function signalWire(
  wayM: number,
  ohm: number,
  { isInDoor, isTweeter }: { readonly isInDoor: boolean; readonly isTweeter: boolean },
): SignalWire {
  const lengthM = wayM + RADIO_SLACK_M + (isInDoor ? HINGE_SLACK_M : 0);
  const least = ORDINARY[isTweeter ? 'tweeter' : 'woofer'];
  const loss = (areaMm2: number) => 20 * Math.log10(1 + (2 * lengthM * ohmOfMetre(areaMm2)) / ohm);
  const fitting = METRIC_AREAS_MM2.filter((area) => area >= least);
  const areaMm2 = fitting.find((area) => loss(area) <= MOST_LOSS_DB) ?? (fitting.at(-1) as number);
  return { lengthM, areaMm2, lossDb: loss(areaMm2) };
}
