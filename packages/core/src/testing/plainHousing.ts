/** A pod, a wedge and a cup that nothing is wrong with, for tests to change. */
import { FREE_KINDS, type Housing, housingSchema } from '../housing';

/** On a panel of 300 × 240 mm about its middle. */
export const PLAIN_POD: Housing = housingSchema.parse({
  as: 'pod',
  base: {
    kind: 'contour',
    insetMm: 10,
    corners: [
      { xMm: -150, yMm: -120 },
      { xMm: 150, yMm: -120 },
      { xMm: 150, yMm: 120 },
      { xMm: -150, yMm: 120 },
    ],
  },
  offMm: 1,
  ...{ xMm: 0, yMm: 0, heightMm: 95, angleDeg: 15, aimDeg: 90 },
  ...{ faceMm: 190, holeMm: 142, boardMm: 15, wallMm: 6, rimMm: 6 },
  back: 'closed',
  grilleMm: null,
  free: Object.fromEntries(FREE_KINDS.map((kind) => [kind, { kind: 'none' }])),
});

export const PLAIN_WEDGE: Housing = {
  ...PLAIN_POD,
  ...{ as: 'wedge', base: { kind: 'round', diameterMm: 200 }, heightMm: 45, angleDeg: 10, aimDeg: 0, back: 'open' },
};

export const PLAIN_CUP: Housing = {
  ...PLAIN_POD,
  ...{ as: 'cup', base: { kind: 'round', diameterMm: 60 }, heightMm: 30, angleDeg: 20, aimDeg: 180 },
  ...{ faceMm: 64, holeMm: 40, boardMm: 4, wallMm: 3, rimMm: 3 },
};
