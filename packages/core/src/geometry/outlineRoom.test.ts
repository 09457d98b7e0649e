/**
 * Containment against a polygon library (clipper2-ts): a section grown by a little less than the room lies inside the
 * outline, grown by a little more it does not. The library works on chords, so "a little" is what chords leave out.
 */

import { describe, expect, test } from '@jest/globals';
import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import fc from 'fast-check';
import { fuzzed } from '../testing/fuzzed';
import { type OutlineMm, polygonPoints, spanOf } from './Outline';
import { outlineRadiusMm } from './outlineRadius';
import { type EllipseMm, ellipseDistance, outlineRoom } from './outlineRoom';

// Seeded: what a run finds must be found again by the next one.
const ellipse = (changes: Partial<EllipseMm> = {}): EllipseMm => ({
  xMm: 0,
  yMm: 0,
  halfLengthMm: 71,
  halfWidthMm: 71,
  angleRad: 0,
  ...changes,
});

/** The library counts in whole numbers: a tenth of a micrometre. */
const UNITS = 10_000;
const CORNERS = 1440;
const SLACK_MM = 0.01;

type Path = { x: number; y: number }[];

const toPath = (points: readonly (readonly [number, number])[]): Path =>
  points.map(([x, y]) => ({ x: Math.round(x * UNITS), y: Math.round(y * UNITS) }));

function ellipsePath({ xMm, yMm, halfLengthMm, halfWidthMm, angleRad }: EllipseMm): Path {
  return toPath(
    Array.from({ length: CORNERS }, (_, corner) => {
      const t = (2 * Math.PI * corner) / CORNERS;
      const [u, v] = [halfLengthMm * Math.cos(t), halfWidthMm * Math.sin(t)];
      return [
        xMm + u * Math.cos(angleRad) - v * Math.sin(angleRad),
        yMm + u * Math.sin(angleRad) + v * Math.cos(angleRad),
      ] as const;
    }),
  );
}

function outlinePath(outline: OutlineMm): Path {
  if (outline.kind === 'polygon') return toPath(polygonPoints(outline));
  return toPath(
    Array.from({ length: CORNERS }, (_, corner) => {
      const t = (2 * Math.PI * corner) / CORNERS;
      const radius = outlineRadiusMm(outline, t);
      return [radius * Math.cos(t), radius * Math.sin(t)] as const;
    }),
  );
}

/** Area of what of the section, grown by `byMm`, lies outside of the outline, mm². */
function outsideMm2(outline: OutlineMm, inner: EllipseMm, byMm: number): number {
  const grown = Clipper.inflatePaths([ellipsePath(inner)], byMm * UNITS, JoinType.Round, EndType.Polygon, 2, 5);
  const outside = Clipper.difference(grown, [outlinePath(outline)], FillRule.NonZero);
  return Math.abs(outside.reduce((sum, path) => sum + Clipper.area(path), 0)) / UNITS ** 2;
}

const outlines: fc.Arbitrary<OutlineMm> = fc.oneof(
  fc.record({ kind: fc.constant('circle' as const), diameter: fc.double({ min: 120, max: 240, noNaN: true }) }),
  fc.record({
    kind: fc.constant('oval' as const),
    length: fc.double({ min: 160, max: 240, noNaN: true }),
    width: fc.double({ min: 110, max: 160, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('roundedRectangle' as const),
    length: fc.double({ min: 150, max: 240, noNaN: true }),
    width: fc.double({ min: 120, max: 150, noNaN: true }),
    cornerRadiusMm: fc.double({ min: 5, max: 50, noNaN: true }),
  }),
  fc
    .tuple(
      fc.array(fc.double({ min: 70, max: 120, noNaN: true }), { minLength: 5, maxLength: 9 }),
      fc.double({ min: -12, max: 12, noNaN: true }),
    )
    .map(([radii, bulgeMm]) => ({
      kind: 'polygon' as const,
      edgeOffset: 0,
      corners: radii.map((radius, at) => ({
        xMm: radius * Math.cos((2 * Math.PI * at) / radii.length),
        yMm: radius * Math.sin((2 * Math.PI * at) / radii.length),
        bulgeMm: at === 0 ? bulgeMm : 0,
      })),
    })),
);
const sections = fc.record({
  xMm: fc.double({ min: -6, max: 6, noNaN: true }),
  yMm: fc.double({ min: -6, max: 6, noNaN: true }),
  halfLengthMm: fc.double({ min: 30, max: 60, noNaN: true }),
  halfWidthMm: fc.double({ min: 25, max: 50, noNaN: true }),
  angleRad: fc.double({ min: 0, max: Math.PI, noNaN: true }),
});

test('grown by less than its room a section stays inside, by more it does not', () => {
  let asked = 0;
  fc.assert(
    fc.property(outlines, sections, (outline, inner) => {
      const { roomMm } = outlineRoom(outline, inner);
      if (roomMm < 0.5) return;
      asked++;
      expect(outsideMm2(outline, inner, roomMm - SLACK_MM)).toBeLessThan(1e-3);
      expect(outsideMm2(outline, inner, roomMm + 0.1)).toBeGreaterThan(1e-4);
    }),
    fuzzed(60),
  );
  expect(asked).toBeGreaterThan(25);
});

describe('by hand', () => {
  test('a 142 mm basket in a 150 mm hole: 4 mm; in a 140 mm hole it sticks out by 1; 2 mm aside it has 2 left', () => {
    expect(outlineRoom({ kind: 'circle', diameter: 150 }, ellipse()).roomMm).toBe(4);
    expect(outlineRoom({ kind: 'circle', diameter: 140 }, ellipse()).roomMm).toBe(-1);
    const aside = outlineRoom({ kind: 'circle', diameter: 150 }, ellipse({ xMm: 2 }));
    expect(aside.roomMm).toBeCloseTo(2, 12);
    expect(aside.nx).toBeCloseTo(1, 12);
  });

  test('a round basket in an oval hole is tight across it; turned by a quarter an oval basket is tight along', () => {
    const hole = { kind: 'oval', length: 220, width: 150 } as const;
    expect(outlineRoom(hole, ellipse({ halfLengthMm: 70, halfWidthMm: 70 })).roomMm).toBeCloseTo(5, 9);
    const turned = ellipse({ halfLengthMm: 100, halfWidthMm: 60, angleRad: Math.PI / 2 });
    expect(outlineRoom(hole, turned).roomMm).toBeCloseTo(-25, 9);
  });

  test('an arc between two corners bulges by its sagitta, to the right of the way', () => {
    const corners = [
      { xMm: -10, yMm: 0, bulgeMm: 4 },
      { xMm: 10, yMm: 0, bulgeMm: 0 },
      { xMm: 0, yMm: 30, bulgeMm: 0 },
    ];
    const lowest = Math.min(...polygonPoints({ corners }).map(([, y]) => y));
    expect(lowest).toBeCloseTo(-4, 3);
  });

  test('distance of a point to an ellipse: on the axes, and inside', () => {
    const oval = ellipse({ halfLengthMm: 100, halfWidthMm: 60 });
    expect(ellipseDistance(oval, 130, 0).distanceMm).toBeCloseTo(30, 9);
    expect(ellipseDistance(oval, 0, 75).distanceMm).toBeCloseTo(15, 9);
    expect(ellipseDistance(oval, 0, 50).distanceMm).toBeCloseTo(-10, 9);
  });
});

test('sensitivities are those of finite differences', () => {
  fc.assert(
    fc.property(outlines, sections, (outline, inner) => {
      const room = outlineRoom(outline, inner);
      const step = 1e-5;
      const wider = outlineRoom(outline, { ...inner, halfLengthMm: inner.halfLengthMm + step }).roomMm;
      const narrower = outlineRoom(outline, { ...inner, halfLengthMm: inner.halfLengthMm - step }).roomMm;
      const [up, down] = [(wider - room.roomMm) / step, (room.roomMm - narrower) / step];
      // At a kink, where the tight place jumps, either slope is right.
      const off = Math.min(Math.abs(up - room.innerAlong), Math.abs(down - room.innerAlong));
      expect(off).toBeLessThan(2e-3);
    }),
    fuzzed(100),
  );
});

test('no section has more room than the spans of hole and section leave', () => {
  fc.assert(
    fc.property(outlines, sections, (outline, inner) => {
      const hole = spanOf(outline);
      const section = spanOf({ kind: 'oval', length: 2 * inner.halfLengthMm, width: 2 * inner.halfWidthMm });
      fc.pre(hole !== null && section !== null);
      const { roomMm } = outlineRoom(outline, inner);
      const longer = (hole?.longestMm ?? 0) - (section?.longestMm ?? 0);
      const wider = (hole?.narrowestMm ?? 0) - (section?.narrowestMm ?? 0);
      expect(roomMm).toBeLessThanOrEqual(Math.min(longer, wider) / 2 + 1e-6);
    }),
    fuzzed(500),
  );
});

test('turning hole and section together changes nothing; mirroring twice is where it was', () => {
  fc.assert(
    fc.property(sections, fc.double({ min: 100, max: 240, noNaN: true }), (inner, diameter) => {
      const hole = { kind: 'circle', diameter } as const;
      const mirrored = { ...inner, xMm: -inner.xMm, angleRad: Math.PI - inner.angleRad };
      expect(outlineRoom(hole, mirrored).roomMm).toBeCloseTo(outlineRoom(hole, inner).roomMm, 6);
      const turned = {
        ...inner,
        xMm: inner.xMm * Math.cos(1) - inner.yMm * Math.sin(1),
        yMm: inner.xMm * Math.sin(1) + inner.yMm * Math.cos(1),
        angleRad: inner.angleRad + 1,
      };
      expect(outlineRoom(hole, turned).roomMm).toBeCloseTo(outlineRoom(hole, inner).roomMm, 6);
    }),
  );
});

test('a section that is off centre by a hair is tight where it is off, however both lie', () => {
  const inner = { xMm: -2.5e-7, yMm: 1.36e-5, halfLengthMm: 30, halfWidthMm: 25.51, angleRad: 0 };
  const turned = {
    ...inner,
    xMm: inner.xMm * Math.cos(1) - inner.yMm * Math.sin(1),
    yMm: inner.xMm * Math.sin(1) + inner.yMm * Math.cos(1),
    angleRad: 1,
  };
  // 99 mm to the edge, 30 mm and the hair to the tip.
  expect(outlineRoom({ kind: 'circle', diameter: 198 }, turned).roomMm).toBeCloseTo(69 - 2.5e-7, 8);
});

test('of two tight places that are nearly mirror images the tighter one counts', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 60, noNaN: true }),
      fc.double({ min: 0.3, max: 0.95, noNaN: true }),
      fc.double({ min: -8, max: 8, noNaN: true }),
      fc.double({ min: -0.05, max: 0.05, noNaN: true }),
      fc.double({ min: 0, max: Math.PI, noNaN: true }),
      (halfLengthMm, slimness, across, along, angleRad) => {
        const inner = {
          xMm: along * Math.cos(angleRad) - across * Math.sin(angleRad),
          yMm: along * Math.sin(angleRad) + across * Math.cos(angleRad),
          halfLengthMm,
          halfWidthMm: slimness * halfLengthMm,
          angleRad,
        };
        let least = Number.POSITIVE_INFINITY;
        for (let step = 0; step < 20_000; step++) {
          const t = (step * Math.PI) / 10_000;
          const [u, v] = [halfLengthMm * Math.cos(t), inner.halfWidthMm * Math.sin(t)];
          const x = inner.xMm + u * Math.cos(angleRad) - v * Math.sin(angleRad);
          const y = inner.yMm + u * Math.sin(angleRad) + v * Math.cos(angleRad);
          least = Math.min(least, 80 - Math.hypot(x, y));
        }
        expect(outlineRoom({ kind: 'circle', diameter: 160 }, inner).roomMm).toBeCloseTo(least, 4);
      },
    ),
    fuzzed(300),
  );
});
