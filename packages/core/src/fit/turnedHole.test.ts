/** A hole that does not lie level: the whole door turned by an angle is the same door, and a turned speaker fits a turned hole. */

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../testing/fuzzed';
import { circlePattern, exact, FLAT, opening, RULES, rodAt, speaker } from '../testing/shapes';
import { judgeCandidate } from './judgeCandidate';
import type { FitOpening, FitSpeaker } from './shapes';

const HOLE = { kind: 'oval', length: exact(220), width: exact(152) } as const;
const rectangle = (turnRad: number, holeDiameterMm: number) => ({
  ...circlePattern(4, exact(1), holeDiameterMm),
  shape: { kind: 'rectangle', width: exact(196), height: exact(120), turnRad } as const,
});
const OVAL: Partial<FitSpeaker> = {
  basket: { kind: 'oval', length: exact(212), width: exact(146) },
  flange: { kind: 'oval', length: exact(235), width: exact(165) },
  bolts: rectangle(0, 5),
};

/** The door with everything in it turned about the hole's centre; the glass stays flat. */
function door(
  turnRad: number,
  beam: { readonly x: number; readonly y: number; readonly angleRad: number },
): FitOpening {
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  return opening({
    hole: HOLE,
    holeRad: turnRad,
    bolts: rectangle(turnRad, 4),
    sheet: FLAT,
    obstacles: [
      rodAt({
        xMm: beam.x * cos - beam.y * sin,
        yMm: beam.x * sin + beam.y * cos,
        angleRad: beam.angleRad + turnRad,
        depth: exact(45),
        diameterMm: 20,
      }),
    ],
  });
}
const figures = (at: FitOpening, what: FitSpeaker) =>
  judgeCandidate(at, { speaker: what, layers: [] }, [], RULES).checks.map(({ id, verdict, margin }) => [
    id,
    verdict,
    margin?.valueMm ?? null,
  ]);

test('turned as a whole, every figure is the same', () => {
  const drawn = fc.record({
    turnRad: fc.double({ min: -Math.PI / 2, max: Math.PI / 2, noNaN: true }),
    x: fc.double({ min: -120, max: 120, noNaN: true }),
    y: fc.double({ min: -120, max: 120, noNaN: true }),
    angleRad: fc.double({ min: 0, max: Math.PI, noNaN: true }),
    terminalRad: fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
  });
  fc.assert(
    fc.property(drawn, ({ turnRad, terminalRad, ...beam }) => {
      const box = {
        label: 'terminal',
        live: true,
        angleRad: terminalRad,
        innerMm: 30,
        outerMm: 62,
        widthMm: 14,
        fromMm: 12,
        toMm: 30,
      };
      const what = speaker({ ...OVAL, boxes: [box] });
      const [level, turned] = [figures(door(0, beam), what), figures(door(turnRad, beam), what)];
      turned.forEach(([id, verdict, mm], at) => {
        expect([id, verdict]).toEqual(level[at]?.slice(0, 2));
        if (mm !== null) expect(mm).toBeCloseTo(level[at]?.[2] as number, 4);
      });
    }),
    fuzzed(60),
  );
});

describe('a hole that lies at an angle', () => {
  const judge = (at: FitOpening) => judgeCandidate(at, { speaker: speaker(OVAL), layers: [] }, [], RULES);
  const level = { x: 300, y: 300, angleRad: 0 };
  const marginOf = (at: FitOpening, id: string) => judge(at).checks.find((check) => check.id === id)?.margin?.valueMm;

  test('is no level one: with screws that lie level the speaker stands across it', () => {
    const askew = { ...door(0, level), holeRad: Math.PI / 9 };
    expect(marginOf(door(0, level), 'hole')).toBeCloseTo((152 - 146) / 2 - 1, 6);
    expect(marginOf(door(Math.PI / 9, level), 'hole')).toBeCloseTo((152 - 146) / 2 - 1, 6);
    expect(judge(askew).checks.find(({ id }) => id === 'hole')?.verdict).toBe('hits');
    expect(marginOf(askew, 'hole')).toBeLessThan(-3);
  });

  test('under a round pattern an oval is turned to lie along it', () => {
    const round = (holeMm: number) => circlePattern(4, exact(260), holeMm);
    const slotted = { ...round(5), slotMm: 60, slotRuns: 'tangential' as const };
    const turnRad = Math.PI / 40;
    const at = { ...door(turnRad, level), bolts: round(4) };
    const tight = { kind: 'oval', length: exact(217), width: exact(149) } as const;
    const wide = { kind: 'oval', length: exact(280), width: exact(165) } as const;
    const what = speaker({ ...OVAL, basket: tight, flange: wide, bolts: slotted });
    const { checks, mount } = judgeCandidate(at, { speaker: what, layers: [] }, [], RULES);
    expect(checks.find(({ id }) => id === 'hole')?.verdict).toBe('clears');
    expect(mount.pose.angleRad % Math.PI).toBeCloseTo(turnRad, 2);
    const unturned = judgeCandidate(at, { speaker: { ...what, bolts: round(5) }, layers: [] }, [], RULES);
    expect(unturned.checks.find(({ id }) => id === 'hole')?.verdict).toBe('hits');
  });
});
