/** An opening with a housing on it: figures by hand, and the same door seen from another place in space. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { faceFrame, type Housing, toFace } from '../../housing';
import { PLAIN_POD, PLAIN_WEDGE } from '../../testing/plainHousing';
import { exact, opening, RULES, speaker, within } from '../../testing/shapes';
import { possibleActions } from '../advice/nextMeasurement';
import type { CheckId } from '../Check';
import { judgeCandidate } from '../judgeCandidate';
import { sheetFit } from '../layout/sheetFit';
import type { FitOpening, FitSpeaker } from '../shapes';
import { housed } from './housed';

const blank = (like: Partial<FitOpening> = {}) => opening({ isThere: 'blank', ...like });
const judge = (at: FitOpening, of: FitSpeaker = speaker()) =>
  judgeCandidate(at, { speaker: of, layers: [] }, [], RULES, 'mm');
const check = (id: CheckId, at: FitOpening, of?: FitSpeaker) => judge(at, of).checks.find((each) => each.id === id);
const straight: Housing = { ...PLAIN_POD, angleDeg: 0, heightMm: 100, holeMm: 150 };

describe('a closed pod', () => {
  test('has its panel behind it, as deep as it is high', () => {
    const sheet = sheetFit(housed(blank(), straight));
    expect(sheet?.sheet).toMatchObject({ c0: 100, c1: 0, c2: 0, c3: 0 });
  });

  test('turned by 15° upwards, its panel leans by the tangent and is 1/cos farther along the axis', () => {
    const { sheet } = sheetFit(housed(blank(), { ...straight, angleDeg: 15, aimDeg: 90 })) ?? {};
    const lean = (15 * Math.PI) / 180;
    expect(sheet?.c0).toBeCloseTo(100 / Math.cos(lean), 9);
    expect(sheet?.c1).toBeCloseTo(0, 9);
    // Upwards the face sinks towards the panel.
    expect(sheet?.c2).toBeCloseTo(-Math.tan(lean), 9);
  });

  test('passes every check of the fit, and waits for the owner’s leave', () => {
    const judged = judge(housed(blank(), straight));
    expect(judged.checks.map(({ id, verdict }) => [id, verdict])).toEqual(
      expect.arrayContaining([
        ['place', 'hold'],
        ['staysFree', 'clears'],
        ['hole', 'clears'],
        ['depth', 'clears'],
        ['bolts', 'clears'],
        ['front', 'clears'],
        ['liesFlat', 'clears'],
      ]),
    );
    expect(judged.checks.filter(({ verdict }) => verdict === 'hits')).toEqual([]);
  });

  test('is too low for a deep speaker: by what is missing', () => {
    const depth = speaker().mountingDepth.valueMm;
    const low = { ...straight, heightMm: depth + RULES.clearancesMm.metal - 3 };
    expect(check('depth', housed(blank(), low))).toMatchObject({ verdict: 'hits' });
    expect(check('depth', housed(blank(), low))?.margin?.valueMm).toBeCloseTo(-3, 6);
  });

  test('whose wall narrows behind its face has no room for the body', () => {
    const narrow: Housing = { ...straight, base: { kind: 'round', diameterMm: 120 } };
    expect(check('hole', housed(blank(), narrow))).toMatchObject({ verdict: 'hits' });
  });

  test('with a flange over the edge of its face says by how much', () => {
    const flange = speaker().flange;
    if (flange.kind !== 'circle') throw new Error('expected a round flange');
    const small: Housing = { ...straight, faceMm: flange.diameter.valueMm - 6, holeMm: 100 };
    expect(check('liesFlat', housed(blank(), small))?.sentence).toMatch(/stands 3 mm over the edge of the face/);
  });

  test('under a belt hits, and where nobody looked it is to be measured', () => {
    const { belt: _, ...others } = straight.free;
    const free = (belt?: Housing['free']['belt']) =>
      housed(blank(), { ...straight, free: belt ? { ...others, belt } : others });
    const over = { kind: 'there', xMm: 0, yMm: 0, widthMm: 40, heightMm: 400, fromMm: 0 } as const;
    expect(check('staysFree', free(over))).toMatchObject({ verdict: 'hits', countsFor: 'opening' });
    expect(check('staysFree', free())?.sentence).toMatch(/Nobody looked where these are.*belt, its reel/);
    expect(check('staysFree', opening())).toBeUndefined();
  });

  test('with a knee in front of its face is judged by the speaker’s own front', () => {
    const knee = { kind: 'there', xMm: 0, yMm: 0, widthMm: 200, heightMm: 200, fromMm: 104 } as const;
    const at = housed(blank(), { ...straight, free: { ...straight.free, knee } });
    expect(at.front).toMatchObject([{ gap: { valueMm: 4 } }]);
    expect(check('front', at)?.verdict).not.toBe('clears');
  });
});

test('nothing that is made is asked to be measured; what a wedge is open to is', () => {
  const options = { halfWidthsMm: { calliper: 0.1, depthStick: 1, tapeMm: 1 }, places: [], confidence: 0.975 };
  const keys = (at: FitOpening) => possibleActions(at, options).map(({ key }) => key);
  expect(keys(housed(blank(), straight))).toEqual([]);
  const doubted = { key: 'depthBehind', xMm: 0, yMm: 0, depth: within(70, 4) };
  expect(keys(housed(opening({ depths: [doubted] }), PLAIN_WEDGE))).toEqual(['depthBehind']);
});

describe('a wedge', () => {
  test('is open to what the panel has behind it, each reading where it is in space', () => {
    const door = opening({
      depths: [
        { key: 'depthBehind', xMm: 0, yMm: 0, depth: exact(70) },
        { key: 'depthTop', xMm: 0, yMm: 50, depth: exact(62) },
      ],
    });
    const at = housed(door, PLAIN_WEDGE);
    const frame = faceFrame(PLAIN_WEDGE);
    const [x, y, z] = toFace(frame, [0, 50, 62]);
    expect(at.depths[1]).toMatchObject({ xMm: x, yMm: y, depth: { valueMm: z } });
    expect(at.behind).toBe(door.behind);
    expect(at.isThere).toBe('yes');
  });

  test('flat and straight is a ring of its height: the same figures at what lies behind', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 60 }), fc.integer({ min: 40, max: 90 }), (heightMm, depthMm) => {
        const door = opening({
          depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: exact(depthMm) }],
          obstacles: [],
          obstaclesLooked: true,
        });
        const flat = housed(door, { ...PLAIN_WEDGE, angleDeg: 0, heightMm });
        const deeper = opening({
          depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: exact(depthMm + heightMm) }],
          obstacles: [],
          obstaclesLooked: true,
        });
        expect(check('depth', flat)?.margin?.valueMm).toBeCloseTo(check('depth', deeper)?.margin?.valueMm as number, 6);
      }),
      { numRuns: 20 },
    );
  });

  test('keeps a rod and a box where they are, however it is turned', () => {
    const place = { placeX: exact(0), placeY: exact(0), givesMm: 0, id: 'a', label: 'a', kind: 'beam' as const };
    const rod = { ...place, xMm: 20, yMm: -30, depth: exact(80), angleRad: 0.4, tiltRad: 0.1 };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 359 }), (angleDeg, aimDeg) => {
        const wedge: Housing = { ...PLAIN_WEDGE, angleDeg, aimDeg, heightMm: 90 };
        const at = (obstacles: FitOpening['obstacles']) => housed(opening({ obstacles }), wedge).obstacles[0];
        const straightOn = { ...wedge, angleDeg: 0 };
        const turned = at([{ ...rod, shape: { kind: 'rod', diameterMm: 12 } }]);
        const plain = housed(opening({ obstacles: [{ ...rod, shape: { kind: 'rod', diameterMm: 12 } }] }), straightOn)
          .obstacles[0];
        // A rod's axis is as far from the middle of the face, seen from either.
        expect(axisDistance(turned)).toBeCloseTo(axisDistance(plain), 6);
        const box = at([{ ...rod, shape: { kind: 'box', lengthMm: 60, widthMm: 30, thicknessMm: 10 } }]);
        if (box?.shape.kind !== 'box') throw new Error('expected a box');
        // The box about it is never smaller.
        expect(box.shape.widthMm * box.shape.thicknessMm).toBeGreaterThanOrEqual(300 - 1e-6);
      }),
      { numRuns: 40 },
    );
  });
});

/** From the middle of the face to a rod's axis. */
function axisDistance(obstacle: FitOpening['obstacles'][number] | undefined): number {
  if (obstacle?.shape.kind !== 'rod') throw new Error('expected a rod');
  const { xMm, yMm, depth, angleRad, tiltRad, shape } = obstacle;
  const at = [xMm, yMm, depth.valueMm + shape.diameterMm / 2 / Math.cos(tiltRad)] as const;
  const d = [
    Math.cos(angleRad) * Math.cos(tiltRad),
    Math.sin(angleRad) * Math.cos(tiltRad),
    Math.sin(tiltRad),
  ] as const;
  const along = at[0] * d[0] + at[1] * d[1] + at[2] * d[2];
  return Math.sqrt(at[0] ** 2 + at[1] ** 2 + at[2] ** 2 - along ** 2);
}
