/** A plate of one's own as it is judged, as a template: what is cut is what was judged. */
import type { FitBracket, LayerPlace, PlateFigures } from '../fit';
import { type EllipseMm, ellipseDistance, extents, type PartOutline, patternHoles } from '../geometry';
import type { Template, TemplateHole } from './Template';

/**
 * @param plate as it was judged, with its holes marked off the car and the speaker
 * @param at how it lies on the car
 */
export function plateTemplate(
  plate: FitBracket,
  { thicknessMm, turnRad, isSunk }: Pick<PlateFigures, 'thicknessMm' | 'turnRad' | 'isSunk'>,
  at: LayerPlace,
): Template {
  const hole = (of: TemplateHole['of'], diameterMm: number, sunk: boolean) => (each: { xMm: number; yMm: number }) => ({
    ...moved(each, at),
    ...{ diameterMm, of, isSunk: sunk },
  });
  const holes = [
    ...patternHoles(plate.vehicleBolts).map(hole('car', plate.vehicleBolts.holeDiameterMm, isSunk)),
    ...patternHoles(plate.speakerBolts).map(hole('speaker', plate.speakerBolts.holeDiameterMm, false)),
  ];
  const outside = ellipseOf(plate.plate, at, 0);
  // An oval throat lies as the speaker is turned.
  const throat = ellipseOf(plate.throat, at, turnRad);
  return { thicknessMm, outside, throat, holes, leastWallMm: leastWallMm(holes, outside, throat) };
}

function moved({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }, at: LayerPlace) {
  const [cos, sin] = [Math.cos(at.angleRad), Math.sin(at.angleRad)];
  return { xMm: at.xMm + xMm * cos - yMm * sin, yMm: at.yMm + xMm * sin + yMm * cos };
}

function ellipseOf(outline: PartOutline, at: LayerPlace, turnRad: number): EllipseMm {
  const { length, width } = extents(outline);
  return {
    ...{ xMm: at.xMm, yMm: at.yMm, angleRad: at.angleRad + turnRad },
    ...{ halfLengthMm: length.valueMm / 2, halfWidthMm: width.valueMm / 2 },
  };
}

function leastWallMm(holes: readonly TemplateHole[], outside: EllipseMm, throat: EllipseMm): number {
  const walls = holes.flatMap(({ xMm, yMm, diameterMm }, at) => [
    // Positive outside an ellipse: the throat is left, the outside is not reached.
    ellipseDistance(throat, xMm, yMm).distanceMm - diameterMm / 2,
    -ellipseDistance(outside, xMm, yMm).distanceMm - diameterMm / 2,
    ...holes
      .slice(at + 1)
      .map((other) => Math.hypot(xMm - other.xMm, yMm - other.yMm) - (diameterMm + other.diameterMm) / 2),
  ]);
  return Math.min(...walls);
}
