/**
 * Depth to what lies behind: the glass over the whole travel of its window, or a second skin. The whole body counts, not
 * only its deepest point: against a leaning glass the rim of the magnet, or of the basket, comes first.
 */
import { closestPoints, newGap } from '../../geometry/Gap';
import { sheetGap } from '../../geometry/glassSheet';
import { PlacedBody } from '../../geometry/PlacedBody';
import { chained, type Quantity, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { boxSheetGap, placedBoxes } from '../bodyBoxes';
import { type Check, factCheck, type GapOption, missingCheck, worstGapCheck } from '../Check';
import type { Mount } from '../mount';
import type { Behind, Candidate, FitOpening, FitRules } from '../shapes';
import { type FittedSheet, lowerEdgeQuantity, sheetBasis, sheetFit } from '../sheetFit';
import { type Body, speakerBody } from '../speakerBody';
import { raised } from '../stack';

export function depthCheck(
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): Check {
  if (opening.behind === 'nothing') return factCheck('depth', 'clears', 'Nothing stands behind this opening.');
  const behind = behindWord(opening.behind);
  const fitted = sheetFit(opening);
  if (!fitted) return missingCheck('depth', ['depthBehind'], `The depth to ${behind} has not been taken.`);
  const asked = behindClearanceMm(opening.behind, rules);
  const options = [bodyOption(opening, candidate, mount, fitted, asked, unit)];
  for (const box of placedBoxes(candidate.speaker, mount.pose)) {
    const gap = boxSheetGap(box, fitted.sheet);
    options.push({
      quantity: quantity(gap.gapMm - asked, [
        ...sheetTerms(fitted, gap.direction, gap.onOther[0], gap.onOther[1]),
        ...chained([[raised(candidate), gap.direction[2]]]),
      ]),
      nearest: { onPart: gap.onBox, onOther: gap.onOther, askedMm: asked },
      sentence: ({ valueMm }) => depthSentence(`The ${box.label}`, valueMm + asked, asked, behind, '', unit),
    });
  }
  return worstGapCheck('depth', options, rules.confidence);
}

function bodyOption(
  opening: FitOpening,
  candidate: Candidate,
  mount: Mount,
  fitted: FittedSheet,
  asked: number,
  unit: LengthUnit,
): GapOption {
  const body = speakerBody(candidate.speaker);
  const gap = newGap();
  const placed = new PlacedBody().set(body.ringsMm, body.pieces, mount.pose);
  const atEdge = sheetGap(gap, placed, fitted.sheet);
  const { onBody, onOther } = closestPoints(gap);
  const edge = lowerEdgeQuantity(opening);
  const direction = [gap.nx, gap.ny, gap.nz] as const;
  const { c2, c3 } = fitted.sheet;
  const edgeSlope = atEdge ? gap.ny + gap.nz * (c2 + 2 * c3 * (fitted.sheet.lowerEdgeMm ?? 0)) : 0;
  const value = quantity(gap.gapMm - asked, [
    ...sheetTerms(fitted, direction, onOther[0], onOther[1]),
    ...bodyTerms(body, gap.reach, gap.nz),
    ...chained([[raised(candidate), gap.nz], ...(edge ? ([[edge, edgeSlope]] as const) : [])]),
  ]);
  const last = body.rings.length - 1;
  const part = gap.reach.ring >= last - 1 ? 'The magnet' : 'The basket';
  const place = atEdge ? ', at its lower edge' : whereWords(onOther[0], onOther[1]);
  return {
    quantity: value,
    nearest: { onPart: onBody, onOther, askedMm: asked },
    sentence: ({ valueMm }, verdict) =>
      depthSentence(part, valueMm + asked, asked, behindWord(opening.behind), place, unit, verdict === 'measure'),
  };
}

function depthSentence(
  part: string,
  gapMm: number,
  askedMm: number,
  behind: string,
  place: string,
  unit: LengthUnit,
  isClose = false,
): string {
  const room = `the shop asks ${printLength(askedMm, unit)}`;
  if (gapMm < 0) return `${part} would stand ${printLength(-gapMm, unit)} into ${behind}${place}; ${room} of air.`;
  return `${part} stops ${printLength(gapMm, unit)} short of ${behind}${place}; ${room}${isClose ? ', too close to call' : ''}.`;
}

/** Where on the face, when it is clearly to one side. */
function whereWords(xMm: number, yMm: number): string {
  if (Math.abs(yMm) < 15 && Math.abs(xMm) < 15) return '';
  if (Math.abs(yMm) >= Math.abs(xMm)) return yMm > 0 ? ' at the top' : ' at the bottom';
  return xMm > 0 ? ' on the right' : ' on the left';
}

function sheetTerms(
  { coefficients }: FittedSheet,
  direction: readonly [number, number, number],
  xMm: number,
  yMm: number,
) {
  const basis = sheetBasis(xMm, yMm);
  return chained(coefficients.map((each, index) => [each, direction[2] * (basis[index] ?? 0)] as const));
}

/** What the body's nearest ring depends on, with minus: a body that grows takes room away. */
export function bodyTerms(
  { rings }: Body,
  {
    ring,
    alongRatio,
    acrossRatio,
  }: { readonly ring: number; readonly alongRatio: number; readonly acrossRatio: number },
  nz: number,
): Quantity['terms'] {
  const nearest = rings[ring];
  if (!nearest) throw new Error(`bodyTerms: expected a ring of the body, got ${ring}`);
  return chained([
    [nearest.depth, -nz],
    [nearest.halfLength, -alongRatio],
    [nearest.halfWidth, -acrossRatio],
  ]);
}

export function behindClearanceMm(behind: Behind, { clearancesMm }: FitRules): number {
  return behind === 'glass' ? clearancesMm.glass : clearancesMm.metal;
}

export function behindWord(behind: Behind): string {
  return behind === 'glass' ? 'the glass' : 'the metal behind';
}
