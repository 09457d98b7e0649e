import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { exactly } from '../uncertainty/Dimension';
import { type BoltPattern, type HoleMm, patternHoles } from './BoltPattern';
import { bestRotation, rotationAt, SAME_MM } from './bestRotation';

function onCircle(
  count: number,
  diameterMm: number,
  firstAngleRad = 0,
  slotMm = 0,
  slotRuns: 'radial' | 'tangential' = 'tangential',
): BoltPattern {
  return {
    shape: { kind: 'circle', count, diameter: exactly(diameterMm), firstAngleRad },
    holeDiameterMm: 5,
    slotMm,
    slotRuns,
  };
}

describe('worked cases', () => {
  test('the same four holes at another angle are found: nothing is left', () => {
    const rotation = bestRotation(patternHoles(onCircle(4, 156, 0.3)), patternHoles(onCircle(4, 156, 1)), {
      toleranceMm: 0.4,
    });
    expect(rotation.landed).toBe(4);
    expect(rotation.worstMm).toBeLessThan(SAME_MM);
  });

  test('circles of 156 and 158 mm miss by their difference in radius: 1 mm', () => {
    const rotation = bestRotation(patternHoles(onCircle(4, 156)), patternHoles(onCircle(4, 158)), { toleranceMm: 0.4 });
    expect(rotation.worstMm).toBeCloseTo(1, 6);
    expect(rotation.landed).toBe(0);
  });

  test('a radial slot of 3 mm takes the 1 mm up', () => {
    const rotation = bestRotation(patternHoles(onCircle(4, 156)), patternHoles(onCircle(4, 158, 0, 3, 'radial')), {
      toleranceMm: 0.4,
    });
    expect(rotation.worstMm).toBeCloseTo(0, 6);
    expect(rotation.landed).toBe(4);
  });

  test('three screws in four holes: one lands exactly, the best chance for more is none', () => {
    const rotation = bestRotation(patternHoles(onCircle(3, 160)), patternHoles(onCircle(4, 160)), { toleranceMm: 0.4 });
    expect(rotation.landed).toBe(1);
    // The second screw is 30° from its hole: 2 × 80 × sin(15°) = 41.4 mm
    expect(rotation.worstMm).toBeCloseTo(160 * Math.sin(Math.PI / 12), 3);
  });

  test('among equal turns the screws stand in the middle of their slots', () => {
    const rotation = bestRotation(patternHoles(onCircle(3, 166.1, 1)), patternHoles(onCircle(3, 166, 1, 6)), {
      toleranceMm: 0.9,
    });
    expect(rotation.angleRad).toBeCloseTo(0, 6);
  });

  test('an oval is tried in two ways only', () => {
    const upright: BoltPattern = {
      shape: { kind: 'rectangle', width: exactly(114), height: exactly(168) },
      holeDiameterMm: 5,
      slotMm: 0,
      slotRuns: 'radial',
    };
    const flat: BoltPattern = { ...upright, shape: { kind: 'rectangle', width: exactly(168), height: exactly(114) } };
    const free = bestRotation(patternHoles(upright), patternHoles(flat), { toleranceMm: 0.5 });
    const held = bestRotation(patternHoles(upright), patternHoles(flat), { toleranceMm: 0.5, anglesRad: [0, Math.PI] });
    expect(free.landed).toBe(4);
    expect(held.landed).toBe(0);
    // Corner (57, 84) against (84, 57): √(27² + 27²) = 38.18 mm
    expect(held.worstMm).toBeCloseTo(Math.hypot(27, 27), 9);
  });
});

const pattern = fc.record({
  count: fc.integer({ min: 2, max: 6 }),
  diameterMm: fc.double({ min: 60, max: 180, noNaN: true }),
  firstAngleRad: fc.double({ min: 0, max: 6, noNaN: true }),
  slotMm: fc.constantFrom(0, 0, 3, 6),
  slotRuns: fc.constantFrom('radial' as const, 'tangential' as const),
});
type PatternFacts = typeof pattern extends fc.Arbitrary<infer Facts> ? Facts : never;
const toPattern = ({ count, diameterMm, firstAngleRad, slotMm, slotRuns }: PatternFacts) =>
  onCircle(count, diameterMm, firstAngleRad, slotMm, slotRuns);

describe('against brute force in steps of 0.1°', () => {
  test('no turn lands more screws, and where all land none is better by more than a fitter sees', () => {
    fc.assert(
      fc.property(pattern, pattern, fc.double({ min: -3, max: 3, noNaN: true }), (a, b, off) => {
        const screws = patternHoles(onCircle(a.count, a.diameterMm, a.firstAngleRad));
        const holes = patternHoles(toPattern({ ...b, diameterMm: a.diameterMm + off }));
        const toleranceMm = 0.6;
        const found = bestRotation(screws, holes, { toleranceMm });
        let landed = 0;
        let worstMm = Number.POSITIVE_INFINITY;
        for (let step = 0; step < 3600; step++) {
          const tried = rotationAt(screws, holes, (step / 3600) * 2 * Math.PI, toleranceMm);
          if (tried.landed > landed) {
            landed = tried.landed;
            worstMm = tried.worstMm;
          } else if (tried.landed === landed) worstMm = Math.min(worstMm, tried.worstMm);
        }
        expect(found.landed).toBeGreaterThanOrEqual(landed);
        if (found.landed === screws.length) expect(found.worstMm).toBeLessThanOrEqual(worstMm + SAME_MM + 1e-9);
      }),
      { numRuns: 50 },
    );
  });
});

describe('patterns that look the same after a part of a turn are searched through that part only', () => {
  /** The same holes, off by what no fitter sees: it looks like itself after a whole turn only. */
  const spoilt = (holes: readonly HoleMm[]) =>
    holes.map((hole, at) => ({ ...hole, xMm: hole.xMm + at * 1e-7, yMm: hole.yMm - at * at * 1e-7 }));

  test('what a search through the whole turn finds lands as many and is off by no more', () => {
    fc.assert(
      fc.property(pattern, pattern, fc.double({ min: -2, max: 2, noNaN: true }), (a, b, off) => {
        const screws = patternHoles(onCircle(a.count, a.diameterMm, a.firstAngleRad));
        const holes = patternHoles(toPattern({ ...b, diameterMm: a.diameterMm + off }));
        const part = bestRotation(screws, holes, { toleranceMm: 0.6 });
        const whole = bestRotation(spoilt(screws), spoilt(holes), { toleranceMm: 0.6 });
        // At the very edge of a hole a hair decides whether a screw lands.
        const isEdge = [...part.misalignmentsMm, ...whole.misalignmentsMm].some((each) => Math.abs(each - 0.6) < 1e-4);
        if (isEdge) return;
        expect(part.landed).toBe(whole.landed);
        if (part.landed === screws.length) expect(part.worstMm).toBeLessThanOrEqual(whole.worstMm + SAME_MM + 1e-5);
      }),
      { numRuns: 150 },
    );
  });

  test('what is preferred is looked for in every part', () => {
    const screws = patternHoles(onCircle(4, 160, 0.2));
    const holes = patternHoles(onCircle(4, 160, 0));
    for (const quarter of [0, 1, 2, 3]) {
      const wanted = 0.2 + (quarter * Math.PI) / 2;
      const found = bestRotation(screws, holes, { toleranceMm: 0.5, prefer: (angle) => Math.abs(angle - wanted) });
      expect(found.angleRad).toBeCloseTo(wanted, 6);
      expect(found.landed).toBe(4);
      expect(found.misalignmentsMm).toHaveLength(4);
    }
    // Three screws in four holes come round every twelfth of a turn.
    const three = patternHoles(onCircle(3, 160, 0));
    const angles = new Set(
      Array.from({ length: 12 }, (_, part) => {
        const wanted = (part * Math.PI) / 6;
        const { angleRad } = bestRotation(three, holes, {
          toleranceMm: 0.5,
          prefer: (angle) => Math.abs(angle - wanted),
        });
        return Math.round((angleRad * 180) / Math.PI) % 360;
      }),
    );
    expect(angles.size).toBe(12);
  });

  test('a slot that runs another way than the others is no repetition', () => {
    const screws = patternHoles(onCircle(4, 163, 0));
    const [first, ...others] = patternHoles(onCircle(4, 160, 0, 6, 'radial'));
    if (!first) throw new Error('expected a hole');
    const crosswise = { ...first, slotXMm: first.slotYMm, slotYMm: first.slotXMm };
    expect(bestRotation(screws, [first, ...others], { toleranceMm: 0.5 }).landed).toBe(4);
    expect(bestRotation(screws, [crosswise, ...others], { toleranceMm: 0.5 }).landed).toBe(3);
  });
});

describe('what must change nothing', () => {
  const landing = (a: PatternFacts, b: PatternFacts) =>
    bestRotation(patternHoles(toPattern({ ...a, slotMm: 0 })), patternHoles(toPattern(b)), { toleranceMm: 0.6 });

  test('turning the part beforehand, by any angle or by its own symmetry', () => {
    fc.assert(
      fc.property(pattern, pattern, fc.double({ min: 0, max: 6, noNaN: true }), (a, b, turn) => {
        const before = landing(a, b);
        const after = landing(a, { ...b, firstAngleRad: b.firstAngleRad + turn });
        const bySymmetry = landing(a, { ...b, firstAngleRad: b.firstAngleRad + (2 * Math.PI) / b.count });
        for (const each of [after, bySymmetry]) {
          expect(each.landed).toBe(before.landed);
          expect(Math.abs(each.worstMm - before.worstMm)).toBeLessThanOrEqual(SAME_MM + 1e-6);
        }
      }),
      { numRuns: 100 },
    );
  });

  test('mirroring both sides', () => {
    fc.assert(
      fc.property(pattern, pattern, (a, b) => {
        const mirrored = landing({ ...a, firstAngleRad: -a.firstAngleRad }, { ...b, firstAngleRad: -b.firstAngleRad });
        const plain = landing(a, b);
        expect(mirrored.landed).toBe(plain.landed);
        expect(Math.abs(mirrored.worstMm - plain.worstMm)).toBeLessThanOrEqual(SAME_MM + 1e-6);
      }),
      { numRuns: 100 },
    );
  });
});
