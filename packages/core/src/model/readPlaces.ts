/**
 * Reads places of the face as they are noted from a tracing: one a line, to the right and upwards from the hole's centre,
 * and where it is asked the bulge of the edge that follows. A semicolon parts the lengths, for a comma may be a decimal one.
 */
import { fail, ok, type Result } from '../result';
import { explainLengthFailure, type LengthUnit, parseLength } from '../units';

export type FacePlace = { readonly xMm: number; readonly yMm: number; readonly bulgeMm: number };

/**
 * @param text such as `60; 0` or `60; 0; 12` on each line; empty lines do not count
 * @param columns 2 for places alone, 3 where a bulge may follow (no line gives no place)
 * @returns the places, or a sentence that names the line
 */
export function readPlaces(text: string, unit: LengthUnit, columns: 2 | 3): Result<readonly FacePlace[], string> {
  const places: FacePlace[] = [];
  for (const [index, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue;
    const parts = line.split(';').map((part) => part.trim());
    const wanted = columns === 2 ? 'right; up' : 'right; up, and a bulge if the edge is one';
    if (parts.length < 2 || parts.length > columns)
      return fail(`Line ${index + 1}: "${line.trim().slice(0, 40)}" was read; expected ${wanted}.`);
    const lengths: number[] = [];
    for (const part of parts) {
      const length = parseLength(part, unit);
      if (!length.ok) return fail(`Line ${index + 1}: ${explainLengthFailure(length.failure)}`);
      lengths.push(length.value.valueMm);
    }
    const [xMm = 0, yMm = 0, bulgeMm = 0] = lengths;
    places.push({ xMm, yMm, bulgeMm });
  }
  return ok(places);
}
