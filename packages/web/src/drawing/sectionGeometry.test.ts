import { describe, expect, test } from '@jest/globals';
import { judgeCandidate } from '@low-quarry/core/fit/judgeCandidate';
import {
  adapter,
  bracket,
  candidate,
  depthAt,
  exact,
  FLAT,
  opening,
  RULES,
  rodAt,
  spacer,
  speaker,
} from '@low-quarry/core/testing/shapes';
import fc from 'fast-check';
import { chooseScale, PX_PER_MM } from './chooseScale';
import { sectionGeometry } from './sectionGeometry';

function draw(at = opening(), what = candidate()) {
  return sectionGeometry(at, what, judgeCandidate(at, what, [adapter()], RULES), RULES);
}

describe('the section', () => {
  test('puts metal, spacer, bracket and flange one on the other towards the cabin', () => {
    const { stack } = draw(opening(), candidate({ brackets: [bracket()], spacer: spacer(9) }));
    expect(stack?.layers).toMatchObject([
      { kind: 'spacer', left: -9, right: 0 },
      { kind: 'bracket', left: -15, right: -9 },
    ]);
    expect(stack?.flange).toMatchObject({ left: -19, right: -15 });
    // 60 mm below the flange's underside at −15; 8 mm of front above the flange
    expect(stack?.deepestX).toBe(45);
    expect(stack?.frontX).toBe(-27);
  });

  test('draws what lies in front: closed, or cut out about the axis, with the room it asks', () => {
    const layer = { id: 'card', label: 'door card', kind: 'card', gap: exact(32), inside: exact(150) } as const;
    const cloth = { ...layer, id: 'cloth', kind: 'cloth', gap: exact(14), inside: null } as const;
    const { front, extent } = draw(opening({ front: [layer, cloth] }));
    expect(front).toMatchObject([
      { x: -32, insideHalf: 75, askedMm: RULES.clearancesMm.front },
      { x: -14, insideHalf: null, askedMm: RULES.clearancesMm.cloth },
    ]);
    expect(extent.left).toBeLessThan(-32);
  });

  test('every dimension it draws is as long as the margin it prints, in either direction', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 100, noNaN: true }),
        fc.double({ min: 5, max: 50, noNaN: true }),
        fc.double({ min: 130, max: 160, noNaN: true }),
        (depth, gap, hole) => {
          const at = opening({
            depths: depthAt(exact(depth)),
            frontGap: exact(gap),
            hole: { kind: 'circle', diameter: exact(hole) },
          });
          const { margins } = draw(at, candidate({ brackets: [bracket()] }));
          expect(margins.map(({ id }) => id)).toEqual(expect.arrayContaining(['depth', 'front']));
          for (const { from, to, marginMm } of margins)
            expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(Math.abs(marginMm), 6);
        },
      ),
    );
  });

  test('a gap that lies off the cut is not drawn, and the cut through it shows it', () => {
    const at = opening({ hole: { kind: 'oval', length: exact(220), width: exact(150) } });
    const what = candidate({ speaker: speaker() });
    const judged = judgeCandidate(at, what, [adapter()], RULES);
    const cut = (angleRad: number) =>
      sectionGeometry(at, what, judged, RULES, { plane: { angleRad } }).margins.map(({ id }) => id);
    // A round basket is tight across an oval hole.
    expect(cut(0)).not.toContain('hole');
    expect(cut(Math.PI / 2)).toContain('hole');
  });

  test('a leaning glass leans in the upright cut and stands straight in the level one', () => {
    const at = opening({ sheet: { ...FLAT, lean: exact(-0.2) } });
    const depths = (angleRad: number) =>
      sectionGeometry(at, null, null, RULES, { plane: { angleRad } }).sheet.map(({ x }) => x);
    expect(Math.max(...depths(Math.PI / 2)) - Math.min(...depths(Math.PI / 2))).toBeGreaterThan(30);
    expect(Math.max(...depths(0)) - Math.min(...depths(0))).toBeCloseTo(0, 9);
  });

  test('a window that is wound up leaves the glass above its edge', () => {
    const at = opening({ lowerEdge: exact(0) });
    const { window, sheet } = sectionGeometry(at, null, null, RULES, { windowUpMm: 40 });
    // Upwards is negative in a drawing.
    expect(Math.max(...sheet.map(({ y }) => y))).toBeLessThanOrEqual(0);
    expect(Math.max(...window.map(({ y }) => y))).toBeLessThanOrEqual(-40);
  });

  test('a beam along the cut is a band, across it a circle of its own size', () => {
    const at = opening({ obstacles: [rodAt({ xMm: 0, yMm: 20, depth: exact(50), diameterMm: 30 })] });
    const across = sectionGeometry(at, null, null, RULES).obstacles[0]?.outline ?? [];
    for (const { x, y } of across) expect(Math.hypot(x - 65, y + 20)).toBeCloseTo(15, 9);
    expect(sectionGeometry(at, null, null, RULES, { plane: { angleRad: 0 } }).obstacles[0]?.outline).toEqual([]);
  });

  test('holds everything inside its extent, and draws an opening that nobody has measured', () => {
    const { extent, stack, sheet } = draw();
    expect(extent.right).toBeGreaterThan(sheet[0]?.x ?? 0);
    expect(extent.left).toBeLessThan(stack?.frontX ?? 0);
    expect(extent.bottom).toBeGreaterThan(stack?.flange.lower.outer ?? 0);
    const unknown = sectionGeometry(
      opening({ hole: { kind: 'circle', diameter: null }, depths: [], frontGap: null }),
      null,
      null,
      RULES,
    );
    expect(unknown).toMatchObject({ sheet: [], grilleX: null, stack: null, margins: [] });
  });
});

test('the scale is the largest standard one that fits', () => {
  expect(chooseScale(100, 100, 100 * PX_PER_MM, 1000).label).toBe('1 : 1');
  expect(chooseScale(100, 100, 100 * PX_PER_MM - 1, 1000).label).toBe('1 : 1.25');
  expect(chooseScale(100, 100, 1000, 50 * PX_PER_MM).label).toBe('1 : 2');
  expect(chooseScale(1000, 100, 10, 10).label).toBe('1 : 10');
});
