import { describe, expect, test } from '@jest/globals';
import { bracket, candidate, exact, opening, RULES, spacer } from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { FitLayer } from '../shapes';
import { groundRing, spacerAt, suitableSpacers, WHAT_IF_ID, withGroundRing } from './groundRing';

const RULES_WITH_SHEET = { ...RULES, stock: [{ thicknessMm: 9, halfWidthMm: 0.3, ringCostMinor: 1200 }] };
const idsOf = (rings: readonly { readonly id: string }[]) => rings.map(({ id }) => id);

describe('rings that suit', () => {
  const suitable = (spacers: readonly ReturnType<typeof spacer>[]) =>
    idsOf(suitableSpacers(opening(), candidate(), { spacers, adapters: [] }, RULES_WITH_SHEET));

  test('lowest first, one for each height: the bought one before one that is cut', () => {
    expect(suitable([spacer(15), spacer(9), spacer(5)])).toEqual(['spacer-5', 'spacer-9', 'spacer-15']);
    expect(suitable([])).toEqual(['ring-9']);
  });

  test('none beside whose wall the screws pass', () => {
    const narrow = spacer(5, {
      outer: { kind: 'circle', diameter: exact(130) },
      inner: { kind: 'circle', diameter: exact(120) },
    });
    expect(suitable([narrow])).toEqual(['ring-9']);
  });

  test('are those whose screws the whole judgement lets pass, each for itself', () => {
    const heights = [3, 5, 7.5, 9, 12, 15, 18, 25];
    const spacers = heights.flatMap((heightMm) =>
      [126, 135, 142, 150].map((innerMm) => ({
        ...spacer(heightMm, {
          outer: { kind: 'circle', diameter: exact(165) },
          inner: { kind: 'circle', diameter: exact(innerMm) },
        }),
        id: `${heightMm} × ${innerMm}`,
      })),
    );
    const passes = (ring: (typeof spacers)[number]) =>
      judgeCandidate(opening(), candidate({ layers: [ring] }), [], RULES).checks.find(({ id }) => id === 'bolts')
        ?.verdict !== 'hits';
    const expected = heights.flatMap((heightMm) =>
      spacers.filter((ring) => ring.height.valueMm === heightMm && passes(ring)).slice(0, 1),
    );
    expect(expected.length).toBeGreaterThan(0);
    expect(spacers.some((ring) => !passes(ring))).toBe(true);
    expect(idsOf(suitableSpacers(opening(), candidate(), { spacers, adapters: [] }, RULES))).toEqual(idsOf(expected));
  });
});

describe('the ring on the metal', () => {
  const [low, high] = [spacer(5), spacer(15)];
  const plate = bracket();

  test('is the lowest layer, and only where that is a ring', () => {
    expect(groundRing({ layers: [low, plate] })).toBe(low);
    expect(groundRing({ layers: [plate, low] })).toBeNull();
    expect(groundRing({ layers: [] })).toBeNull();
  });

  test('takes the place of another, or lies under what is there; without one the rest stays', () => {
    const layersOf = (layers: readonly FitLayer[], ring: typeof low | null) =>
      withGroundRing(candidate({ layers }), ring).layers;
    expect(layersOf([low, plate], high)).toEqual([high, plate]);
    expect(layersOf([plate], high)).toEqual([high, plate]);
    expect(layersOf([low, plate], null)).toEqual([plate]);
  });

  test('at a height: none at 0, the stocked one that reads the same, else one that nobody has', () => {
    expect(spacerAt(0.04, [low, high])).toBeNull();
    expect(spacerAt(5.04, [low, high])).toBe(low);
    expect(spacerAt(7, [low, high])).toMatchObject({ id: WHAT_IF_ID, height: { valueMm: 7 } });
  });
});
