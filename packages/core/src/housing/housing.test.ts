/** The shape of what is built: closed forms by hand, and clipper2-ts for what a base keeps of its contour. */

import { describe, expect, test } from '@jest/globals';
import { EndType, inflatePathsD, isPositiveD, JoinType, type PathD } from 'clipper2-ts';
import fc from 'fast-check';
import { length, subtract, type Vec3 } from '../geometry';
import { PLAIN_CUP, PLAIN_POD } from '../testing/plainHousing';
import { faceFrame, fromFace, toFace } from './frame';
import { staysFree } from './free';
import { FREE_KINDS, type Housing, housingSchema } from './Housing';
import { boreOf, volumeL } from './room';
import { type Shell, shellOf } from './shell';

const shell = (housing: Housing): Shell => {
  const made = shellOf(housing);
  if (!made.ok) throw new Error(made.failure);
  return made.value;
};
const failure = (housing: Housing) => {
  const made = shellOf(housing);
  return made.ok ? null : made.failure;
};

const straight: Housing = {
  ...PLAIN_POD,
  ...{ base: { kind: 'round', diameterMm: 212 }, angleDeg: 0, faceMm: 212, holeMm: 142, heightMm: 100 },
};

describe('the frame of a face', () => {
  test('is the panel’s own where it looks straight out', () => {
    expect(toFace(faceFrame(straight), [30, -20, 0])).toEqual([30, -20, 100]);
  });

  test('keeps lengths, and there and back is where it was', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: 0, max: 60, noNaN: true }), fc.double({ min: -360, max: 360, noNaN: true })),
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -300, max: 300, noNaN: true }))),
        ([angleDeg, aimDeg], place) => {
          const frame = faceFrame({ ...PLAIN_POD, angleDeg, aimDeg });
          const at = place as unknown as Vec3;
          const seen = toFace(frame, at);
          expect(length(seen)).toBeCloseTo(length(subtract(at, frame.middle)), 8);
          expect(length(subtract(fromFace(frame, seen), at))).toBeLessThan(1e-9);
        },
      ),
    );
  });

  test('sinks towards where it aims: turned to the right, its right edge lies nearer to the panel', () => {
    const frame = faceFrame({ ...PLAIN_POD, angleDeg: 20, aimDeg: 0 });
    expect(fromFace(frame, [80, 0, 0])[2]).toBeCloseTo(-95 + 80 * Math.sin((20 * Math.PI) / 180), 9);
    expect(fromFace(frame, [0, 80, 0])[2]).toBeCloseTo(-95, 9);
  });
});

describe('the room inside', () => {
  test('of a straight one is a cylinder: area of its inside times height less board', () => {
    // 200 mm across inside, 85 mm high: 2.670 l; the 360 edges of its ring lose 0.005 %.
    expect(volumeL(shell(straight))).toBeCloseTo((Math.PI * 100 ** 2 * 85) / 1e6, 3);
  });

  test('of one that narrows is a frustum: h/3 · (A + √(A·B) + B)', () => {
    const narrow = shell({ ...straight, faceMm: 172 });
    const [wide, top] = [Math.PI * 100 ** 2, Math.PI * 80 ** 2];
    expect(volumeL(narrow)).toBeCloseTo(((85 / 3) * (wide + Math.sqrt(wide * top) + top)) / 1e6, 3);
  });

  test('grows with its height, and not by how it is turned about its own axis', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 1, max: 60 }), (aimDeg, moreMm) => {
        const round: Housing = { ...straight, angleDeg: 12, aimDeg };
        expect(volumeL(shell(round))).toBeCloseTo(volumeL(shell({ ...round, aimDeg: 0 })), 6);
        expect(volumeL(shell({ ...round, heightMm: 100 + moreMm }))).toBeGreaterThan(volumeL(shell(round)));
      }),
      { numRuns: 30 },
    );
  });

  test('about the axis is as wide as its narrowest edge', () => {
    const { inside, behind } = shell(straight);
    const bore = boreOf(faceFrame(straight), [inside.map(([x, y]): Vec3 => [x, y, 0]), behind]);
    expect(bore.insideMm).toBeCloseTo(200, 1);
    expect(bore.depthMm).toBeCloseTo(100, 9);
  });
});

describe('a base', () => {
  test('keeps its distance from every edge of the contour', () => {
    const { base, inside } = shell(PLAIN_POD);
    expect(Math.max(...base.map(([x]) => x))).toBeCloseTo(140, 9);
    expect(Math.max(...base.map(([, y]) => y))).toBeCloseTo(110, 9);
    expect(Math.min(...inside.map(([x]) => x))).toBeCloseTo(-134, 9);
  });

  /** The middle of a contour that is star-shaped about it, at random. */
  const contour = fc.array(fc.integer({ min: 90, max: 200 }), { minLength: 5, maxLength: 24 }).map((radii) =>
    radii.map((radius, at) => {
      const turn = (2 * Math.PI * at) / radii.length;
      return { xMm: radius * Math.cos(turn), yMm: radius * Math.sin(turn), bulgeMm: 0 };
    }),
  );

  test('lies in what a polygon library leaves of the contour, and reaches its edge', () => {
    fc.assert(
      fc.property(contour, fc.integer({ min: 2, max: 20 }), (corners, insetMm) => {
        const { base } = shell({ ...PLAIN_POD, base: { kind: 'contour', corners, insetMm } });
        const path: PathD = corners.map(({ xMm, yMm }) => ({ x: xMm, y: yMm }));
        expect(isPositiveD(path)).toBe(true);
        const left = inflatePathsD([path], -insetMm, JoinType.Round, EndType.Polygon, 2, 4, 0.001);
        expect(Math.max(...base.map(([x, y]) => edgeDistance(left, x, y)))).toBeLessThan(0.02);
      }),
      { numRuns: 25 },
    );
  });

  test.each<[string, Partial<Housing>, RegExp]>([
    ['a rim that holds no screw', { faceMm: 150 }, /leaves 4 mm beside the hole.*162 mm or more/],
    ['an edge behind the panel', { angleDeg: 55, heightMm: 90 }, /would be 12.2 mm above the panel.*at least 95 mm/],
    ['a middle beside the contour', { xMm: 200 }, /outside of the contour/],
    ['a middle at the edge', { xMm: 145 }, /5 mm from the contour, which keeps 10 mm/],
    ['a wall thicker than its base', { base: { kind: 'round', diameterMm: 40 }, rimMm: 20 }, /leaves nothing inside/],
  ])('is refused with %s', (_, change, words) => {
    expect(failure({ ...PLAIN_POD, ...change })).toMatch(words);
  });
});

function edgeDistance(paths: readonly PathD[], x: number, y: number): number {
  return Math.min(
    ...paths.flatMap((path) =>
      path.map((a, at) => {
        const b = path[(at + 1) % path.length] as (typeof path)[number];
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const square = dx * dx + dy * dy;
        const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / square));
        return Math.hypot(x - a.x - t * dx, y - a.y - t * dy);
      }),
    ),
  );
}

describe('what stays free', () => {
  const withBelt = (xMm: number, fromMm = 0): Housing => ({
    ...straight,
    free: { ...straight.free, belt: { kind: 'there', xMm, yMm: 0, widthMm: 40, heightMm: 400, fromMm } },
  });
  const belt = (housing: Housing) => staysFree(housing).find(({ kind }) => kind === 'belt');

  test('is open where nobody looked, and done where somebody did', () => {
    expect(staysFree({ ...straight, free: {} }).map(({ standing }) => standing)).toEqual(FREE_KINDS.map(() => 'open'));
    expect(staysFree(straight).every(({ standing }) => standing === 'none')).toBe(true);
  });

  test('is left what lies between, less the room that is kept', () => {
    // The base ends at 106 mm, the belt begins at 130 mm, and 10 mm are kept.
    expect(belt(withBelt(150))).toMatchObject({ standing: 'clears' });
    expect(belt(withBelt(150))?.marginMm).toBeCloseTo(14, 1);
    expect(belt(withBelt(136.5))).toMatchObject({ standing: 'near' });
    expect(belt(withBelt(120))).toMatchObject({ standing: 'hits' });
    expect(belt(withBelt(120))?.marginMm).toBeCloseTo(-16, 1);
  });

  test('in front of the face counts from there on', () => {
    expect(belt(withBelt(0, 140))?.marginMm).toBeCloseTo(30, 6);
    expect(belt(withBelt(0, 60))).toMatchObject({ standing: 'hits' });
  });

  test('is given up by whoever may, and a belt by nobody', () => {
    const given = (kind: 'pocket' | 'belt') =>
      housingSchema.safeParse({ ...PLAIN_POD, free: { [kind]: { kind: 'givenUp', by: 'the owner' } } });
    expect(given('pocket').success).toBe(true);
    expect(given('belt').error?.issues[0]?.message).toMatch(/nobody can give that up/);
  });

  test('is farther from what moves away, whatever the pod', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 359 }), (angleDeg, aimDeg) => {
        const at = (xMm: number) =>
          belt({ ...withBelt(xMm), base: PLAIN_CUP.base, heightMm: 100, faceMm: 170, angleDeg, aimDeg })
            ?.marginMm as number;
        expect(at(220)).toBeGreaterThan(at(180));
        expect(at(220) - at(180)).toBeLessThanOrEqual(40 + 1e-6);
      }),
      { numRuns: 30 },
    );
  });
});
