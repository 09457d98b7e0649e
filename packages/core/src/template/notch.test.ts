import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ellipseDistance } from '../geometry';
import { fuzzed } from '../testing/fuzzed';
import { NOTCH_MM, notchOf, notchWords } from './notch';
import type { Template } from './Template';
import { templateAt } from './templateAt';

const ellipse = (halfLengthMm: number, halfWidthMm = halfLengthMm, angleRad = 0) => ({
  ...{ xMm: 0, yMm: 0, halfLengthMm, halfWidthMm, angleRad },
});
const piece = (wireRad: number | null, more: Partial<Template> = {}): Template => ({
  ...{
    thicknessMm: 9,
    outside: ellipse(90),
    throat: ellipse(70),
    leastWallMm: 5,
    pilotMm: 6.7,
    hasNotch: true,
    wireRad,
    holes: [],
  },
  ...more,
});
const holeAt = (xMm: number, yMm: number) => ({ xMm, yMm, diameterMm: 5, of: 'car' as const, sunk: null });

/** By hand: a clock's hand stands at 90° at twelve and goes 30° an hour the other way. */
test.each([
  [Math.PI / 2, 'twelve o’clock'],
  [0, 'three o’clock'],
  [-Math.PI / 4, 'half past four'],
  [-Math.PI / 2, 'six o’clock'],
  [Math.PI, 'nine o’clock'],
  [(7 * Math.PI) / 12, 'half past eleven'],
])('a plug that comes from %f is told as a clock has it', (rad, words) => {
  expect(notchWords(piece(rad))).toEqual([
    `WIRE: its groove at ${words}, 12 mm wide, 4 mm deep in the face to the car.`,
  ]);
});

describe('the notch', () => {
  test('is marked across the ring, as wide as it is, from throat to outside, by hand', () => {
    const notch = notchOf(piece(0));
    const inner = Math.sqrt(70 ** 2 - 6 ** 2);
    const outer = Math.sqrt(90 ** 2 - 6 ** 2);
    expect(notch?.depthMm).toBe(4);
    expect(notch?.sides).toEqual([
      [
        { xMm: expect.closeTo(inner, 9), yMm: -6 },
        { xMm: expect.closeTo(outer, 9), yMm: -6 },
      ],
      [
        { xMm: expect.closeTo(inner, 9), yMm: 6 },
        { xMm: expect.closeTo(outer, 9), yMm: 6 },
      ],
    ]);
  });

  test('that would meet a screw is said; one on the other side of the ring is in nobody’s way', () => {
    expect(notchOf(piece(0, { holes: [holeAt(80, 10)] }))?.leastMm).toBeCloseTo(1.5, 9);
    const met = piece(0, { holes: [holeAt(80, 7)] });
    expect(notchOf(met)?.leastMm).toBeCloseTo(-1.5, 9);
    expect(notchWords(met)).toEqual([
      'WIRE: a notch at three o’clock would meet a screw: beside it, as near as the wire reaches.',
    ]);
    expect(notchOf(piece(0, { holes: [holeAt(-80, 0)] }))?.leastMm).toBeCloseTo(77.5, 9);
  });

  test('of a piece of which nobody noted the plug is not guessed', () => {
    expect(notchOf(piece(null))).toBeNull();
    expect(notchWords(piece(null))).toEqual([
      'Nobody noted where the plug comes from: its notch is marked at the first fit.',
    ]);
  });

  test('of any piece begins on its throat and ends on its outside, and turns with it', () => {
    const angle = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(
      fc.property(angle, angle, fc.double({ min: 45, max: 60, noNaN: true }), (wireRad, turnRad, width) => {
        const template = piece(wireRad, {
          throat: { ...ellipse(70, width, 0.4), xMm: 3, yMm: -2 },
          outside: ellipse(95),
        });
        const on = (notch: ReturnType<typeof notchOf>, of: Template) =>
          notch?.sides.forEach(([from, to]) => {
            expect(ellipseDistance(of.throat, from.xMm, from.yMm).distanceMm).toBeCloseTo(0, 6);
            expect(ellipseDistance(of.outside, to.xMm, to.yMm).distanceMm).toBeCloseTo(0, 6);
          });
        on(notchOf(template), template);
        const turned = templateAt(template, { xMm: 200, yMm: 120, turnRad });
        on(notchOf(turned), turned);
        const [a, b] = (notchOf(turned)?.sides ?? []).map(([from]) => from);
        if (!a || !b) throw new Error('expected two edges');
        expect(Math.abs(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm))).toBeGreaterThanOrEqual(NOTCH_MM - 1e-9);
      }),
      fuzzed(40),
    );
  });
});
