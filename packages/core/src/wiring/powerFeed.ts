/** What feeds an amplifier that is added: its current, the cable from the battery, its fuse, and what of the voltage is lost on the way. */
import { METRIC_AREAS_MM2, ohmOfMetre } from './copper';

export type PowerFeed = {
  /** At full RMS power, A. */
  readonly ampere: number;
  /** Plus and minus each, mm². */
  readonly areaMm2: number;
  /** Beside the battery: the least that carries the current, and no more than the cable stands, A. */
  readonly fuseA: number;
  /** Both ways at full power, V. */
  readonly dropV: number;
};

/** Of a car that runs, and what of it an amplifier of class AB turns into sound: the thirstier of the two classes (from memory). */
const SUPPLY_V = 13.8;
const EFFICIENCY = 0.6;
/** More of 13.8 V is felt in the bass (common practice, no source). */
const MOST_DROP_V = 0.5;
/**
 * What a single copper cable in a car carries for good, A (common practice, from memory; a maker's table goes before): a fuse protects the
 * cable, and is never larger.
 */
const AMPACITY: Readonly<Record<number, number>> = {
  2.5: 30,
  4: 40,
  6: 50,
  10: 70,
  16: 100,
  25: 130,
  35: 160,
  50: 200,
};
/** Blades and maxi blades. @see ISO 8820-3 (from memory); above 80 A bolted strips, ISO 8820-5 */
const FUSES_A = [5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200] as const;

/** So near the battery: what lies before the fuse nothing protects, cm (common practice, no source). */
export const FUSE_WITHIN_CM = 45;

/**
 * @param watt RMS of all channels together; above 0
 * @param lengthM from the battery to the amplifier, one way
 * @returns null where no single cable carries it: it is more than one amplifier's feed
 */
export function powerFeed(watt: number, lengthM: number): PowerFeed | null {
  const ampere = watt / EFFICIENCY / SUPPLY_V;
  const fuseA = FUSES_A.find((each) => each >= ampere);
  if (fuseA === undefined) return null;
  const drop = (areaMm2: number) => 2 * lengthM * ohmOfMetre(areaMm2) * ampere;
  const areaMm2 = METRIC_AREAS_MM2.find((area) => (AMPACITY[area] ?? 0) >= fuseA && drop(area) <= MOST_DROP_V);
  return areaMm2 === undefined ? null : { ampere, areaMm2, fuseA, dropV: drop(areaMm2) };
}
