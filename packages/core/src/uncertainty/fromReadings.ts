/**
 * A dimension from what was read and what it was read with.
 *
 * One reading: the instrument alone. Several: their mean, its type A uncertainty s/√n with n − 1 degrees of freedom,
 * and the instrument's own (type B, rectangular) added in quadrature, because repeating a reading does not shrink what
 * the instrument itself is off by.
 *
 * @see JCGM 100:2008, 4.2.3 (type A), 4.3.7 (rectangular), G.4.1 (effective degrees of freedom)
 */
import { combineUncertainty } from './combineUncertainty';
import type { Dimension, Origin } from './Dimension';

/**
 * @param readingsMm one or more readings in mm
 * @param halfWidthMm the instrument's limit of error, mm
 * @throws when there is no reading: the schema of a record does not let one through
 */
export function fromReadings(readingsMm: readonly number[], halfWidthMm: number, origin: Origin): Dimension {
  const count = readingsMm.length;
  if (count === 0) throw new Error('fromReadings: expected at least one reading, got none');
  const mean = readingsMm.reduce((sum, reading) => sum + reading, 0) / count;
  const instrument = { sensitivity: 1, standardUncertainty: halfWidthMm / Math.sqrt(3), degreesOfFreedom: null };
  if (count === 1) {
    return {
      valueMm: mean,
      uncertaintyMm: instrument.standardUncertainty,
      degreesOfFreedom: null,
      origin,
      isRectangular: true,
    };
  }
  const squares = readingsMm.reduce((sum, reading) => sum + (reading - mean) ** 2, 0);
  const combined = combineUncertainty([
    instrument,
    { sensitivity: 1, standardUncertainty: Math.sqrt(squares / (count - 1) / count), degreesOfFreedom: count - 1 },
  ]);
  return {
    valueMm: mean,
    uncertaintyMm: combined.standardUncertainty,
    degreesOfFreedom: combined.degreesOfFreedom,
    origin,
  };
}
