/** What holds of every cable that feeds an amplifier: its current, its fuse, what it stands and what it loses. */
import { METRIC_AREAS_MM2, ohmOfMetre } from './copper';

/** Of a car that runs, and what of it an amplifier of class AB turns into sound: the thirstier of the two classes (from memory). */
const SUPPLY_V = 13.8;
const EFFICIENCY = 0.6;
/** More of 13.8 V is felt in the bass (common practice, no source). */
export const MOST_DROP_V = 0.5;
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

/** At full RMS power of so many watts, A. */
export function feedAmpere(watt: number): number {
  return watt / EFFICIENCY / SUPPLY_V;
}

/** The least that carries the current, A; null where none does. */
export function feedFuse(ampere: number): number | null {
  return FUSES_A.find((each) => each >= ampere) ?? null;
}

/** Plus and minus each, V. */
export function feedDropV(areaMm2: number, lengthM: number, ampere: number): number {
  return 2 * lengthM * ohmOfMetre(areaMm2) * ampere;
}

/** Those that the fuse protects, the thinnest first, mm². */
export function areasUnder(fuseA: number): readonly number[] {
  return METRIC_AREAS_MM2.filter((area) => (AMPACITY[area] ?? 0) >= fuseA);
}
