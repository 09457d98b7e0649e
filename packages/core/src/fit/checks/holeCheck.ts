/**
 * Passes the hole: the basket must go through the vehicle's hole, the spacer and the bracket's throat; the tightest
 * decides. The hole in the vehicle is asked the shop's clearance, bought parts are made to measure and are asked none.
 */
import { extents, type Outline } from '../../geometry/Outline';
import { outlineClearanceMm } from '../../geometry/outlineClearance';
import { pairCache } from '../../math/pairCache';
import type { Dimension } from '../../uncertainty/Dimension';
import { type Quantity, type QuantityTerm, quantity } from '../../uncertainty/Quantity';
import type { LengthUnit } from '../../units/parseLength';
import { printLength } from '../../units/printLength';
import { type Check, marginCheck, missingCheck, type OpeningDimensionKey } from '../Check';
import type { Candidate, FitOpening, FitRules } from '../shapes';

/** Two ovals cost a search over directions, and the same two meet in many candidates. */
const clearanceBetween = pairCache((outer: Outline, inner: Outline) =>
  outlineClearanceMm(ovalMm(outer), ovalMm(inner)),
);

type Passage = {
  readonly name: string;
  readonly prefix: string;
  readonly outline: Outline;
  readonly clearanceMm: number;
};

export function holeCheck(opening: FitOpening, candidate: Candidate, rules: FitRules, unit: LengthUnit): Check {
  const hole = measuredOutline(opening.hole);
  const { speaker, bracket, spacer } = candidate;
  if (!hole) {
    return missingCheck(
      'hole',
      missingOf(opening.hole),
      'The hole has not been measured, so nobody knows whether the basket enters.',
    );
  }
  const passages: Passage[] = [
    { name: 'hole', prefix: 'opening.hole', outline: hole, clearanceMm: rules.clearancesMm.hole },
  ];
  if (spacer) passages.push({ name: 'spacer', prefix: 'spacer.inner', outline: spacer.inner, clearanceMm: 0 });
  if (bracket)
    passages.push({ name: "bracket's throat", prefix: 'bracket.throat', outline: bracket.throat, clearanceMm: 0 });

  const margins = passages.map((passage) => ({ passage, margin: passageMargin(passage, speaker.basket) }));
  const tightest = margins.reduce((a, b) => (b.margin.valueMm < a.margin.valueMm ? b : a));
  return marginCheck('hole', tightest.margin, rules.confidence, ({ valueMm }, verdict) => {
    const room = printLength(Math.abs(valueMm + tightest.passage.clearanceMm), unit);
    const where = tightest.passage.name;
    if (valueMm + tightest.passage.clearanceMm < 0)
      return `The basket is wider than the ${where} by ${room} on each side.`;
    const asked =
      tightest.passage.clearanceMm > 0 ? `; the shop asks ${printLength(tightest.passage.clearanceMm, unit)}` : '';
    return `The basket passes the ${where} with ${room} all round${asked}${verdict === 'measure' ? ', which is too close to call' : ''}.`;
  });
}

function measuredOutline(outline: Outline<Dimension | null>): Outline | null {
  return isMeasured(outline) ? outline : null;
}

function isMeasured(outline: Outline<Dimension | null>): outline is Outline {
  return outline.kind === 'circle' ? outline.diameter !== null : outline.length !== null && outline.width !== null;
}

function missingOf(outline: Outline<Dimension | null>): readonly OpeningDimensionKey[] {
  if (outline.kind === 'circle') return ['holeDiameter'];
  return [...(outline.length ? [] : ['holeLength' as const]), ...(outline.width ? [] : ['holeWidth' as const])];
}

function passageMargin({ prefix, outline, clearanceMm }: Passage, basket: Outline): Quantity {
  const clearance = clearanceBetween(outline, basket);
  return quantity(clearance.clearanceMm - clearanceMm, [
    ...outlineTerms(prefix, outline, clearance.outer),
    ...outlineTerms('speaker.basket', basket, clearance.inner),
  ]);
}

function ovalMm(outline: Outline) {
  const { length, width } = extents(outline);
  return { lengthMm: length.valueMm, widthMm: width.valueMm };
}

/** A circle has one diameter, so both slopes belong to it. */
function outlineTerms(
  prefix: string,
  outline: Outline,
  slope: { lengthMm: number; widthMm: number },
): readonly QuantityTerm[] {
  if (outline.kind === 'circle') {
    return [{ name: `${prefix}Diameter`, dimension: outline.diameter, sensitivity: slope.lengthMm + slope.widthMm }];
  }
  return [
    { name: `${prefix}Length`, dimension: outline.length, sensitivity: slope.lengthMm },
    { name: `${prefix}Width`, dimension: outline.width, sensitivity: slope.widthMm },
  ];
}
