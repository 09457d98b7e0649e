/**
 * A dimension from what was read and what it was read with.
 *
 * An instrument's half-width is how far one reading with it may lie off. Three quarters of that variance are the
 * instrument's own error, the same in all its readings; a quarter is the hand's repeatability, which reading again shrinks
 * (the split is common practice, no source). Repeatability is pooled over all repeated readings with the instrument: one
 * place read twice says too little about a hand.
 *
 * @see JCGM 100:2008, 4.2.4 and H.1.3 (pooled experimental standard deviation), 4.3.7 (rectangular), 5.2 (correlation)
 */
import type { Dimension, Origin } from './Dimension';

/** What of the variance of one reading all readings with the instrument have in common. */
export const SHARED_SHARE = 0.75;
/** The usual repeatability counts as so many degrees of freedom beside what was read (common practice, no source). */
const USUAL_FREEDOM = 10;

export type Instrument = {
  /** As margins name its own error. */
  readonly name: string;
  /** Limit of error of one reading, mm. */
  readonly halfWidthMm: number;
  readonly origin: Origin;
};

/** As margins name the error that all readings with one instrument share. */
export function instrumentName(source: string): string {
  return `instrument.${source}`;
}

/** How well a hand repeats its readings: a standard deviation, mm, with its degrees of freedom. */
export type Repeatability = { readonly deviationMm: number; readonly degreesOfFreedom: number | null };

/**
 * Pooled over the readings of several places.
 *
 * @param places the readings with this instrument, place by place, mm; places read once say nothing
 */
export function pooledRepeatability(
  { halfWidthMm }: Pick<Instrument, 'halfWidthMm'>,
  places: readonly (readonly number[])[],
): Repeatability {
  const usual = halfWidthMm * Math.sqrt((1 - SHARED_SHARE) / 3);
  let squares = 0;
  let freedom = 0;
  for (const readings of places) {
    const mean = meanOf(readings);
    squares += readings.reduce((sum, each) => sum + (each - mean) ** 2, 0);
    freedom += readings.length - 1;
  }
  if (freedom === 0) return { deviationMm: usual, degreesOfFreedom: null };
  const pooled = (USUAL_FREEDOM * usual * usual + squares) / (USUAL_FREEDOM + freedom);
  return { deviationMm: Math.sqrt(pooled), degreesOfFreedom: USUAL_FREEDOM + freedom };
}

/**
 * @param readingsMm one or more readings of one place, mm
 * @param repeatability of the instrument; from these readings alone when left out
 * @throws when there is no reading: the schema of a record does not let one through
 */
export function fromReadings(
  readingsMm: readonly number[],
  { name, halfWidthMm, origin }: Instrument,
  repeatability: Repeatability = pooledRepeatability({ halfWidthMm }, [readingsMm]),
): Dimension {
  const count = readingsMm.length;
  if (count === 0) throw new Error('fromReadings: expected at least one reading, got none');
  return {
    valueMm: meanOf(readingsMm),
    uncertaintyMm: repeatability.deviationMm / Math.sqrt(count),
    degreesOfFreedom: repeatability.degreesOfFreedom,
    origin,
    shared: [{ name, uncertaintyMm: halfWidthMm * Math.sqrt(SHARED_SHARE / 3), by: 1 }],
  };
}

/** @param readings at least one */
export function meanOf(readings: readonly number[]): number {
  return readings.reduce((sum, each) => sum + each, 0) / readings.length;
}
