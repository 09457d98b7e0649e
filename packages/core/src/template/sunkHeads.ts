/**
 * Counterbores for heads that something lies over. A pan head is at most two screws wide and four fifths of one high (ISO 7049, ST 2.9 to ST 6.3, from
 * memory); its counterbore is a millimetre wider, and as deep.
 */
import type { Template, TemplateHole } from './Template';

const HEAD_WIDE = 2;
const HEAD_HIGH = 0.8;
const ROOM_MM = 1;
/** So much sheet stays under a head, mm (common practice, no source). */
const FLOOR_MM = 2;

type Counterbore = { readonly diameterMm: number; readonly depthMm: number };

/** @param screwMm its diameter */
export function counterbore(screwMm: number): Counterbore {
  return { diameterMm: HEAD_WIDE * screwMm + ROOM_MM, depthMm: Math.ceil(HEAD_HIGH * screwMm * 10) / 10 };
}

/** The counterbore that is cut; null where there is none, or a hand sinks the head. */
export function cutBore({ sunk }: Pick<TemplateHole, 'sunk'>): Counterbore | null {
  return sunk === 'byHand' ? null : sunk;
}

/** The holes with those heads left to a hand whose counterbore the sheet has no room for: a countersunk screw goes in there. */
export function boresThatFit({ holes, thicknessMm }: Pick<Template, 'holes' | 'thicknessMm'>): readonly TemplateHole[] {
  return holes.map((hole, at) => {
    const bore = cutBore(hole);
    if (!bore) return hole;
    const met = holes.some(
      (other, each) =>
        each !== at &&
        Math.hypot(other.xMm - hole.xMm, other.yMm - hole.yMm) < (bore.diameterMm + other.diameterMm) / 2,
    );
    return met || bore.depthMm > thicknessMm - FLOOR_MM ? { ...hole, sunk: 'byHand' } : hole;
  });
}
