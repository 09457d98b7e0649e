/**
 * A hanger: a plate that carries a box, a crossover's, where nothing of the car holds one. Two ears with a screw at each end of them, holes for ties along
 * the box, and a way for its wires in the middle. It is the same for both sides.
 */
import { lineEdge, type PlaceMm } from './edges';
import { withWalls } from './layOut';
import type { Template, TemplateHole } from './Template';

/** Beyond the box at each end, and beside it, mm (common practice, no source). */
const EAR_MM = 22;
const BESIDE_MM = 12;
const SCREW_MM = 5;
const TIE_MM = 6;
const WIRES_MM = 20;
const CORNER_MM = 6;
/** Chords of a corner. */
const STEPS = 6;

/** @param box its length and width, mm; nothing narrower than its wires' way has a hanger of this kind */
export function hangerTemplate(
  { lengthMm, widthMm }: { readonly lengthMm: number; readonly widthMm: number },
  thicknessMm: number,
): Template {
  const [half, high] = [lengthMm / 2 + EAR_MM, widthMm / 2 + BESIDE_MM];
  const at = (xMm: number, yMm: number, diameterMm: number, of: TemplateHole['of']): TemplateHole => ({
    ...{ xMm, yMm, diameterMm, of, sunk: null },
  });
  const both = [-1, 1] as const;
  const fourfold = (xMm: number, yMm: number, diameterMm: number, of: TemplateHole['of']) =>
    both.flatMap((right) => both.map((up) => at(right * xMm, up * yMm, diameterMm, of)));
  return withWalls({
    thicknessMm,
    outside: lineEdge(roundedCorners(half, high)),
    throat: { xMm: 0, yMm: 0, angleRad: 0, halfLengthMm: WIRES_MM / 2, halfWidthMm: WIRES_MM / 2 },
    holes: [
      ...fourfold(lengthMm / 2 + EAR_MM / 2, high - EAR_MM / 2, SCREW_MM, 'car'),
      ...fourfold(lengthMm / 4, widthMm / 2 + BESIDE_MM / 2, TIE_MM, 'box'),
    ],
    ...{ hasNotch: false, wireRad: null },
  });
}

function roundedCorners(half: number, high: number): readonly PlaceMm[] {
  return [
    [half - CORNER_MM, high - CORNER_MM, 0],
    [CORNER_MM - half, high - CORNER_MM, 1],
    [CORNER_MM - half, CORNER_MM - high, 2],
    [half - CORNER_MM, CORNER_MM - high, 3],
  ].flatMap(([x, y, quarter]) =>
    Array.from({ length: STEPS + 1 }, (_, step) => {
      const turn = ((quarter as number) + step / STEPS) * (Math.PI / 2);
      return { xMm: (x as number) + CORNER_MM * Math.cos(turn), yMm: (y as number) + CORNER_MM * Math.sin(turn) };
    }),
  );
}
