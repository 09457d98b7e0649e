/**
 * What lies in front, layer by layer. By hand: flange 165 wide and 4 thick, basket 142, 8 in front of the flange; the grille 20
 * in front of the metal, 3 of clearance, 1 beside what passes through a frame.
 */

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../testing/fuzzed';
import { bracket, exact, opening, RULES, spacer, speaker, within } from '../testing/shapes';
import { heightRange } from './advice/heightRange';
import { nearMisses } from './advice/nearMisses';
import { judgeCandidate } from './judgeCandidate';
import type { FitLayer, FitOpening, FrontLayer } from './shapes';

const layer = (kind: FrontLayer['kind'], gapMm: number, insideMm: number | null = null): FrontLayer => ({
  id: kind,
  label: kind === 'card' ? 'door card' : kind,
  kind,
  gap: exact(gapMm),
  inside: insideMm === null ? null : exact(insideMm),
});
const frontOf = (at: FitOpening, layers: readonly FitLayer[] = [], rules = RULES) => {
  const check = judgeCandidate(at, { speaker: speaker(), layers }, [], rules).checks.find(({ id }) => id === 'front');
  if (!check) throw new Error('expected the check of the front');
  return check;
};

describe('a closed layer', () => {
  test('stops all that stands in front; the nearer one decides', () => {
    expect(frontOf(opening({ front: [layer('card', 14)] })).margin?.valueMm).toBeCloseTo(14 - 12 - 3, 9);
    expect(frontOf(opening({ front: [layer('card', 40)] })).margin?.valueMm).toBeCloseTo(20 - 12 - 3, 9);
    expect(frontOf(opening({ front: [layer('card', 10)] })).sentence).toContain('push 2 mm into the door card');
  });

  test('cloth may be touched, where the shop lets it', () => {
    const at = opening({ front: [layer('cloth', 12)] });
    expect(frontOf(at)).toMatchObject({ verdict: 'clears' });
    const strict = { ...RULES, clearancesMm: { ...RULES.clearancesMm, cloth: 2 } };
    expect(frontOf(at, [], strict).margin?.valueMm).toBeCloseTo(-2, 9);
  });

  test('without the front gap a layer that is hit is hit, and one that is not leaves the gap to be taken', () => {
    const without = { frontGap: null };
    expect(frontOf(opening({ ...without, front: [layer('card', 8)] }))).toMatchObject({ verdict: 'hits', missing: [] });
    expect(frontOf(opening({ ...without, front: [layer('card', 30)] }))).toMatchObject({
      verdict: 'measure',
      missing: ['frontGap'],
    });
  });
});

describe('a frame', () => {
  test('wider than the flange lets all of it through: the room beside it decides', () => {
    const check = frontOf(opening({ front: [layer('card', 2, 168)] }));
    expect(check.margin?.valueMm).toBeCloseTo((168 - 165) / 2 - 1, 9);
    expect(check.sentence).toBe('The flange passes through the door card with 1.5 mm beside it; the shop asks 1 mm.');
  });

  test('narrower than the flange and wider than the basket stops the flange alone', () => {
    // The flange stays 4 below it less 3; the cone passes.
    const check = frontOf(opening({ front: [layer('card', 6, 150)] }));
    expect(check.margin?.valueMm).toBeCloseTo(6 - 4 - 3, 9);
    expect(check.sentence).toContain('The flange stays 2 mm behind the door card');
    expect(frontOf(opening({ front: [layer('card', 7.5, 150)] })).verdict).toBe('clears');
  });

  test('narrower than the basket stops the cone as well', () => {
    expect(frontOf(opening({ front: [layer('ring', 9, 120)] })).margin?.valueMm).toBeCloseTo(9 - 12 - 3, 9);
  });

  test('a wide plate under a flange that passes is stopped by it', () => {
    const wide = bracket({ plate: { kind: 'circle', diameter: exact(190) }, height: exact(6) });
    const check = frontOf(opening({ frontGap: exact(60), front: [layer('card', 7, 170)] }), [wide]);
    expect(check.margin?.valueMm).toBeCloseTo(7 - 6 - 3, 9);
    expect(check.sentence).toContain('The bracket');
  });

  test('its size and its gap are doubted where they decide', () => {
    const doubted: FrontLayer = { ...layer('card', 6), gap: within(6, 1), inside: within(150, 2) };
    const { margin } = frontOf(opening({ front: [doubted] }));
    expect(margin?.terms.map(({ name }) => name)).toContain('opening.front.card.gap');
    const through: FrontLayer = { ...layer('card', 2), gap: within(2, 1), inside: within(168, 2) };
    const wide = frontOf(opening({ front: [through] })).margin;
    expect(wide?.terms.map(({ name, sensitivity }) => [name, sensitivity])).toContainEqual([
      'opening.front.card.inside',
      0.5,
    ]);
    expect(wide?.standardUncertaintyMm).toBeCloseTo(1 / Math.sqrt(3), 9);
  });
});

describe('advice', () => {
  test('the height range ends where the first layer is met', () => {
    const candidate = { speaker: speaker(), layers: [] };
    expect(heightRange(opening(), candidate, RULES)?.mostMm).toBeCloseTo(20 - 12 - 3, 6);
    // The flange behind a frame: 9 less 4 and 3.
    expect(heightRange(opening({ front: [layer('card', 9, 150)] }), candidate, RULES)?.mostMm).toBeCloseTo(2, 6);
    expect(heightRange(opening({ front: [layer('card', 9)] }), candidate, RULES)?.mostMm).toBeCloseTo(9 - 12 - 3, 6);
  });

  test('only cloth is cut away, and only where the rest is free', () => {
    const catalogue = { speakers: [], brackets: [], spacers: [], adapters: [] };
    const kinds = (front: readonly FrontLayer[]) =>
      nearMisses(opening({ front }), { speaker: speaker(), layers: [] }, catalogue, [], RULES).flatMap((each) =>
        each.kind === 'byHand' ? each.works.map(({ kind }) => kind) : [],
      );
    expect(kinds([layer('cloth', 9)])).toContain('cutCloth');
    expect(kinds([layer('card', 9)])).not.toContain('cutCloth');
    expect(kinds([layer('cloth', 9), layer('card', 12)])).not.toContain('cutCloth');
  });
});

test('a layer more never gives room, and a wider frame never takes it', () => {
  const drawn = fc.record({
    gapMm: fc.double({ min: 1, max: 40, noNaN: true }),
    insideMm: fc.double({ min: 80, max: 260, noNaN: true }),
    widerMm: fc.double({ min: 0, max: 60, noNaN: true }),
    ringMm: fc.constantFrom(0, 3, 9),
  });
  fc.assert(
    fc.property(drawn, ({ gapMm, insideMm, widerMm, ringMm }) => {
      const stack = ringMm > 0 ? [spacer(ringMm)] : [];
      const room = (front: readonly FrontLayer[]) => frontOf(opening({ front }), stack).margin?.valueMm ?? Number.NaN;
      const [none, frame, wider, closed] = [
        room([]),
        room([layer('card', gapMm, insideMm)]),
        room([layer('card', gapMm, insideMm + widerMm)]),
        room([layer('card', gapMm)]),
      ];
      expect(frame).toBeLessThanOrEqual(none + 1e-9);
      expect(wider).toBeGreaterThanOrEqual(frame - 1e-9);
      expect(frame).toBeGreaterThanOrEqual(closed - 1e-9);
    }),
    fuzzed(100),
  );
});
