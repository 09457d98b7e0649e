/** A pod, a wedge or a cup to begin with: as most are, until somebody types its own lengths. */
import type { Housing, HousingKind } from '@low-quarry/core/housing';
import type { OpeningRecord } from '@low-quarry/core/model';

const COMMON = { offMm: 2, xMm: 0, yMm: 0, grilleMm: null, free: {} } as const;

/** Leaning a little upwards, as most are: whoever builds it aims it. */
export function newHousing(as: HousingKind, { presence }: Pick<OpeningRecord, 'presence'>): Housing {
  const back = presence === 'blank' ? 'closed' : 'open';
  switch (as) {
    case 'pod':
      return {
        ...{ as, ...COMMON, back, base: { kind: 'round', diameterMm: 240 }, heightMm: 90, angleDeg: 10, aimDeg: 90 },
        ...{ faceMm: 190, holeMm: 142, boardMm: 15, wallMm: 6, rimMm: 16 },
      };
    case 'wedge':
      return {
        ...{ as, ...COMMON, back, base: { kind: 'round', diameterMm: 190 }, heightMm: 36, angleDeg: 8, aimDeg: 90 },
        ...{ faceMm: 186, holeMm: 150, boardMm: 9, wallMm: 10, rimMm: 20 },
      };
    case 'cup':
      return {
        ...{
          as,
          ...COMMON,
          back: 'closed',
          base: { kind: 'round', diameterMm: 68 },
          heightMm: 32,
          angleDeg: 20,
          aimDeg: 90,
        },
        ...{ faceMm: 66, holeMm: 44, boardMm: 4, wallMm: 3, rimMm: 6 },
      };
  }
}

/** The contour of a panel nobody traced yet: a plain rectangle about the face, so that there is something to change. */
export function firstContour({ faceMm }: Pick<Housing, 'faceMm'>): Extract<Housing['base'], { kind: 'contour' }> {
  const [x, y] = [Math.round(faceMm / 2 + 40), Math.round(faceMm / 2 + 30)];
  return {
    kind: 'contour',
    insetMm: 10,
    corners: [
      { xMm: -x, yMm: -y, bulgeMm: 0 },
      { xMm: x, yMm: -y, bulgeMm: 0 },
      { xMm: x, yMm: y, bulgeMm: 0 },
      { xMm: -x, yMm: y, bulgeMm: 0 },
    ],
  };
}
