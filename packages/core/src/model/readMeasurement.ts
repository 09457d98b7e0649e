/**
 * Reads what a fitter types into a dimension's field: one reading, or several with a semicolon between them.
 */
import type { OpeningDimensionKey } from '../fit';
import { fail, ok, type Result } from '../result';
import { explainLengthFailure, type LengthUnit, parseLength } from '../units';
import { dimensionRangeError, OPENING_DIMENSIONS } from './openingDimensions';

export const MOST_READINGS = 12;

/**
 * @param text such as `61`, `2 3/8"` or `61; 60,5; 61`
 * @returns the readings in mm in the order typed (empty when nothing was typed), or a sentence for the field
 */
export function readMeasurement(
  text: string,
  key: OpeningDimensionKey,
  unit: LengthUnit,
): Result<readonly number[], string> {
  if (text.trim() === '') return ok([]);
  const parts = text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const { label } = OPENING_DIMENSIONS[key];
  if (parts.length === 0)
    return fail(`${label}: "${text.trim().slice(0, 40)}" holds no reading. Type a length such as 60 or 2 3/8".`);
  if (parts.length > MOST_READINGS)
    return fail(`${label}: ${parts.length} readings were read; expected up to ${MOST_READINGS}.`);
  const readings: number[] = [];
  for (const part of parts) {
    const length = parseLength(part, unit);
    if (!length.ok) return fail(`${label}: ${explainLengthFailure(length.failure)}`);
    const outside = dimensionRangeError(key, length.value.valueMm, unit);
    if (outside) return fail(outside);
    readings.push(length.value.valueMm);
  }
  return ok(readings);
}
