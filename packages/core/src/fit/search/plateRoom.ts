/**
 * Where no bracket mates there is the plate of one's own. How far the screws miss says nothing then: 3 mm and 39 mm ask for the same
 * plate. What tells candidates apart is the room that is left once it is cut.
 */
import { sheetDepthMm } from '../../geometry';
import type { OpeningShape } from '../layout/OpeningShape';
import type { SpeakerShape } from '../layout/SpeakerShape';
import { behindClearanceMm } from '../margins/checks/depth';
import { frontAskedMm } from '../margins/checks/front';
import type { FitRules } from '../shapes';
import { roomOf } from './stackShapes';

/** How much of the hole, from its edge inwards, the body leaves empty, mm; 0 where the hole is not known. */
export function emptyMm({ holeSpan }: Pick<OpeningShape, 'holeSpan'>, { bodyReachMm }: SpeakerShape): number {
  return holeSpan ? Math.max(0, holeSpan.narrowestMm / 2 - bodyReachMm) : 0;
}

/**
 * An upper bound of the least margin at front, hole and what is behind with the speaker on the plate of the shop's sheet that suits it
 * best, mm; below zero no plate helps. −Infinity where the shop cuts no sheet. Screws are not asked, and walls are not.
 */
export function plateRoomMm(
  { opening, hole, holeSpan, sheet }: OpeningShape,
  shape: SpeakerShape,
  rules: FitRules,
): number {
  if (!opening.bolts || !hole) return Number.NEGATIVE_INFINITY;
  const { clearancesMm, stock } = rules;
  const front = opening.frontGap
    ? opening.frontGap.valueMm - frontAskedMm(opening, rules) - shape.frontMm
    : Number.POSITIVE_INFINITY;
  const isOverSheet = sheet && (sheet.lowerEdgeMm === null || sheet.lowerEdgeMm <= 0);
  const behind = isOverSheet
    ? sheetDepthMm(sheet, 0, 0) - shape.depthMm - behindClearanceMm(opening.behind, rules)
    : Number.POSITIVE_INFINITY;
  let best = Number.NEGATIVE_INFINITY;
  for (const { thicknessMm } of stock) {
    const inHole = holeSpan ? roomOf(holeSpan, shape, thicknessMm) - clearancesMm.hole : Number.POSITIVE_INFINITY;
    best = Math.max(best, Math.min(front - thicknessMm, behind + thicknessMm, inHole));
  }
  return best;
}
