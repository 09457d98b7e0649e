/** A ring that is cut to suit: it lets the body through, takes the screws of what is under it, and covers. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { judgeCandidate } from '../fit/judgeCandidate';
import { ringOf } from '../fit/layout/rings';
import type { Candidate, FitOpening, FitSpacer } from '../fit/shapes';
import { patternHoles } from '../geometry/BoltPattern';
import { fuzzed } from '../testing/fuzzed';
import { bracket, circlePattern, exact, opening, RULES, speaker } from '../testing/shapes';
import { ringTemplate } from './ringTemplate';
import type { Template } from './Template';

const RING = ringOf(8);
const AT = opening({ bolts: circlePattern(3, exact(176), 4), frontGap: exact(40) });
const WHAT = speaker({ mountingDepth: exact(50) });

function templateOf(at: FitOpening, layers: Candidate['layers'], ring: FitSpacer = RING): Template | null {
  const candidate = { speaker: WHAT, layers };
  const { mount } = judgeCandidate(at, candidate, [], RULES);
  return ringTemplate(ring, candidate, at, mount, RULES);
}

test('on the metal it has the car’s screws, covers the hole, and lets the body through with its room', () => {
  const ring = templateOf(AT, [RING]);
  const screws = patternHoles(AT.bolts as NonNullable<FitOpening['bolts']>);
  expect(ring?.thicknessMm).toBe(8);
  expect(ring?.holes).toHaveLength(3);
  ring?.holes.forEach(({ xMm, yMm, diameterMm, of }, each) => {
    expect([xMm, yMm]).toEqual([screws[each]?.xMm, screws[each]?.yMm]);
    expect([diameterMm, of]).toEqual([5, 'car']);
  });
  // The test's speaker and hole: a basket and a hole of these diameters.
  const basketMm = WHAT.basket.kind === 'circle' ? WHAT.basket.diameter.valueMm : 0;
  const holeMm = AT.hole.kind === 'circle' ? (AT.hole.diameter?.valueMm ?? 0) : 0;
  expect(2 * (ring?.throat.halfLengthMm ?? 0)).toBeCloseTo(basketMm + 2 * RULES.clearancesMm.hole, 9);
  expect(2 * (ring?.outside.halfLengthMm ?? 0)).toBeGreaterThanOrEqual(holeMm + 2 * RULES.clearancesMm.cover);
  // 176 + 5 to the far edges of two screws, a wall beside each, and 2 mm of room: rounded up.
  expect(2 * (ring?.outside.halfLengthMm ?? 0)).toBe(Math.ceil(181 + 2 * RULES.clearancesMm.wall + 2));
  expect(ring?.leastWallMm).toBeGreaterThanOrEqual(RULES.clearancesMm.wall);
});

test('on a bracket it has the bracket’s screws, where the bracket lies', () => {
  const under = bracket({ offsetXMm: 6, speakerBolts: circlePattern(4, exact(156), 4) });
  const ring = templateOf(AT, [under, RING]);
  expect(ring?.holes.map(({ of }) => of)).toEqual(['speaker', 'speaker', 'speaker', 'speaker']);
  const holes = ring?.holes ?? [];
  const middle = [holes.reduce((sum, { xMm }) => sum + xMm / 4, 0), holes.reduce((sum, { yMm }) => sum + yMm / 4, 0)];
  expect(Math.hypot(...middle)).toBeCloseTo(6, 6);
  expect(ring?.outside.xMm).toBeCloseTo(middle[0] as number, 6);
  expect(ring?.outside.yMm).toBeCloseTo(middle[1] as number, 6);
});

test('of screws that stand in its hole it says so by its wall', () => {
  const narrow = templateOf({ ...AT, bolts: circlePattern(3, exact(130), 4) }, [RING]);
  expect(narrow?.leastWallMm).toBeLessThan(0);
});

test('where nobody measured the screws, or it is none of the stack, there is none', () => {
  expect(templateOf({ ...AT, bolts: null }, [RING])).toBeNull();
  expect(templateOf(AT, [])).toBeNull();
});

test('what is cut is what was judged: as a part of its own outlines it gets the same verdict at every check', () => {
  const doors = fc.record({
    holeMm: fc.integer({ min: 145, max: 170 }),
    beyondMm: fc.integer({ min: 8, max: 40 }),
    heightMm: fc.integer({ min: 3, max: 20 }),
    depthMm: fc.integer({ min: 30, max: 70 }),
    count: fc.constantFrom(3, 4),
  });
  let judged = 0;
  fc.assert(
    fc.property(doors, ({ holeMm, beyondMm, heightMm, depthMm, count }) => {
      const at = opening({
        ...{ bolts: circlePattern(count, exact(holeMm + beyondMm), 4), frontGap: exact(40) },
        hole: { kind: 'circle', diameter: exact(holeMm) },
      });
      const what = speaker({ mountingDepth: exact(depthMm) });
      const made = ringOf(heightMm);
      const candidate = { speaker: what, layers: [made] };
      const asJudged = judgeCandidate(at, candidate, [], RULES);
      const template = ringTemplate(made, candidate, at, asJudged.mount, RULES);
      if (!template || template.leastWallMm < RULES.clearancesMm.wall) return;
      judged++;
      const cut: FitSpacer = {
        ...made,
        made: false,
        inner: { kind: 'circle', diameter: exact(2 * template.throat.halfLengthMm) },
        outer: { kind: 'circle', diameter: exact(2 * template.outside.halfLengthMm) },
      };
      const asCut = judgeCandidate(at, { speaker: what, layers: [cut] }, [], RULES);
      const told = ({ checks }: typeof asCut) => checks.map(({ id, verdict }) => [id, verdict]);
      expect(told(asCut)).toEqual(told(asJudged));
      expect(asCut.verdict).toBe(asJudged.verdict);
    }),
    fuzzed(60),
  );
  expect(judged).toBeGreaterThan(10);
});
