/**
 * Counterbores for heads that something lies over. A pan head is at most two screws wide and four fifths of one high (ISO 7049, ST 2.9 to ST 6.3, from
 * memory); its counterbore is a millimetre wider, and as deep.
 */
import { type LengthUnit, printLength } from '../units';
import type { Template, TemplateHole } from './Template';

const HEAD_WIDE = 2;
const HEAD_HIGH = 0.8;
const ROOM_MM = 1;
/** So much sheet stays under a head, mm (common practice, no source). */
const FLOOR_MM = 2;

/** @param screwMm its diameter */
export function counterbore(screwMm: number): NonNullable<TemplateHole['sunk']> {
  return { diameterMm: HEAD_WIDE * screwMm + ROOM_MM, depthMm: Math.ceil(HEAD_HIGH * screwMm * 10) / 10 };
}

/** What is wrong with the counterbores of a piece, in a sentence; null where nothing is. */
export function sunkFault(
  { holes, thicknessMm }: Pick<Template, 'holes' | 'thicknessMm'>,
  unit: LengthUnit,
): string | null {
  for (const [at, { sunk, xMm, yMm }] of holes.entries()) {
    if (!sunk) continue;
    if (sunk.depthMm > thicknessMm - FLOOR_MM)
      return `A head needs a counterbore of ${printLength(sunk.depthMm, unit)}, and ${printLength(FLOOR_MM, unit)} of sheet under it: the sheet is ${printLength(thicknessMm, unit)}.`;
    const met = holes.some(
      (other, each) =>
        each !== at && Math.hypot(other.xMm - xMm, other.yMm - yMm) < (sunk.diameterMm + other.diameterMm) / 2,
    );
    if (met)
      return `A counterbore of ${printLength(sunk.diameterMm, unit)} meets another hole: a countersunk screw there, or a smaller head.`;
  }
  return null;
}
