import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../math/seededRandom';
import { anyPair, onCircle } from '../testing/boltPatterns';
import { fuzzed, fuzzedFrom } from '../testing/fuzzed';
import { offsAt, scanTurns } from '../testing/turnScan';
import { enoughScrews, type HoleMm } from './BoltPattern';
import { landingStretches, type Turn } from './landingTurns';

const landingOf = (screws: readonly HoleMm[], holes: readonly HoleMm[], playMm: number) => ({
  screws,
  holes,
  playMm,
  enough: enoughScrews(screws.length),
});
const best = (screws: readonly HoleMm[], holes: readonly HoleMm[], playMm = 0.4): Turn =>
  (landingStretches(landingOf(screws, holes, playMm))[0] as { best: Turn }).best;

describe('worked cases', () => {
  test('the same four holes at another angle are found: nothing is left, in four turns', () => {
    const stretches = landingStretches(landingOf(onCircle(4, 156, 0.3), onCircle(4, 156, 1), 0.4));
    expect(stretches).toHaveLength(4);
    for (const { best: turn } of stretches) {
      expect(turn.landed).toBe(4);
      expect(turn.worstMm).toBeLessThan(1e-4);
    }
  });

  test('circles of 156 and 158 mm miss by their difference in radius: 1 mm', () => {
    expect(best(onCircle(4, 156), onCircle(4, 158))).toMatchObject({ landed: 0, worstMm: expect.closeTo(1, 6) });
  });

  test('a radial slot of 3 mm takes the 1 mm up', () => {
    expect(best(onCircle(4, 156), onCircle(4, 158, 0, 3, 'radial'))).toMatchObject({
      landed: 4,
      worstMm: expect.closeTo(0, 6),
    });
  });

  test('three screws in four holes: one lands exactly, the best chance for more is none', () => {
    const turn = best(onCircle(3, 160), onCircle(4, 160));
    expect(turn.landed).toBe(1);
    // The second screw is 30° from its hole: 2 × 80 × sin(15°) = 41.4 mm
    expect(turn.worstMm).toBeCloseTo(160 * Math.sin(Math.PI / 12), 1);
  });

  test('three of four screws land without play before the fourth is brought nearer', () => {
    const screws = onCircle(4, 160);
    const [first, second, third, fourth] = onCircle(4, 160) as [HoleMm, HoleMm, HoleMm, HoleMm];
    const turn = best(screws, [first, second, third, { ...fourth, xMm: fourth.xMm + 5 }]);
    expect(turn.landed).toBe(3);
    expect(turn.decidingMm).toBeLessThan(1e-4);
  });

  test('a slot lets a part be turned: the stretch is as long as the slot, 20 mm about 85', () => {
    const [stretch] = landingStretches(landingOf(onCircle(3, 170, 1), onCircle(3, 170, 1, 20), 0.6));
    if (!stretch) throw new Error('expected a stretch');
    // The slot is straight and the way of a screw is not: it leaves the play beside the slot where it lies 0.6 mm inside or
    // outside, at cos = 1 − 0.6/85 beyond the slot's middle.
    const half = Math.acos((85 - 0.6) / 85);
    expect((stretch.toRad - stretch.fromRad) / 2).toBeCloseTo(Math.min(half, Math.asin(10.6 / 85)), 2);
  });

  test('given turns are looked at as they are', () => {
    const rectangle = (x: number, y: number): readonly HoleMm[] =>
      [
        [x, y],
        [-x, y],
        [-x, -y],
        [x, -y],
      ].map(([xMm = 0, yMm = 0]) => ({ xMm, yMm, slotXMm: 0, slotYMm: 0 }));
    expect(best(rectangle(57, 84), rectangle(84, 57)).landed).toBe(4);
    const [held] = landingStretches(landingOf(rectangle(57, 84), rectangle(84, 57), 0.5), [0, Math.PI]);
    // Corner (57, 84) against (84, 57): √(27² + 27²) = 38.18 mm
    expect(held?.best).toMatchObject({ landed: 0, worstMm: expect.closeTo(Math.hypot(27, 27), 9) });
  });
});

describe('against a scan of all turns in steps of 0.1°', () => {
  test('random patterns: no turn lands more screws, and where as many land none sits better', () => {
    const random = seededRandom(fuzzedFrom(12));
    for (let each = 0; each < fuzzed(350).numRuns; each++) {
      const { screws, holes, playMm } = anyPair(random);
      const { enough } = landingOf(screws, holes, playMm);
      const found = best(screws, holes, playMm);
      const { landed, deciding } = scanTurns(screws, holes, playMm, enough);
      expect(found.landed).toBeGreaterThanOrEqual(landed);
      if (found.landed === landed) expect(found.decidingMm).toBeLessThanOrEqual(deciding + 1e-6);
      expect(found.decidingMm).toBeCloseTo(offsAt(screws, holes, found.angleRad)[enough - 1] as number, 9);
    }
  });
});

describe('what must change nothing', () => {
  const mirrored = (holes: readonly HoleMm[]) =>
    holes.map((hole) => ({ ...hole, xMm: -hole.xMm, slotXMm: -hole.slotXMm }));
  const turned = (holes: readonly HoleMm[], angle: number) =>
    holes.map(({ xMm, yMm, slotXMm, slotYMm }) => ({
      xMm: xMm * Math.cos(angle) - yMm * Math.sin(angle),
      yMm: xMm * Math.sin(angle) + yMm * Math.cos(angle),
      slotXMm: slotXMm * Math.cos(angle) - slotYMm * Math.sin(angle),
      slotYMm: slotXMm * Math.sin(angle) + slotYMm * Math.cos(angle),
    }));

  test('mirroring both sides, and turning the part beforehand', () => {
    const random = seededRandom(7);
    for (let each = 0; each < 300; each++) {
      const { screws, holes, playMm } = anyPair(random);
      const plain = best(screws, holes, playMm);
      for (const other of [
        best(mirrored(screws), mirrored(holes), playMm),
        best(screws, turned(holes, 6 * random()), playMm),
      ]) {
        expect(other.landed).toBe(plain.landed);
        expect(other.decidingMm).toBeCloseTo(plain.decidingMm, 4);
      }
    }
  });
});
