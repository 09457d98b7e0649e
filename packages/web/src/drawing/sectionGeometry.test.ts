import { describe, expect, test } from '@jest/globals';
import { judgeCandidate } from '@low-quarry/core/fit/judgeCandidate';
import { adapter, bracket, candidate, exact, opening, RULES, spacer, speaker } from '@low-quarry/core/testing/shapes';
import fc from 'fast-check';
import { chooseScale, PX_PER_MM } from './chooseScale';
import { sectionGeometry } from './sectionGeometry';

function draw(at = opening(), what = candidate()) {
  return sectionGeometry(at, what, judgeCandidate(at, what, [adapter()], RULES), RULES);
}

describe('the section', () => {
  test('puts metal, spacer, bracket and flange one on the other towards the cabin', () => {
    const { stack } = draw(opening(), candidate({ bracket: bracket(), spacer: spacer(9) }));
    expect(stack?.spacer).toMatchObject({ left: -9, right: 0 });
    expect(stack?.bracket).toMatchObject({ left: -15, right: -9 });
    expect(stack?.flange).toMatchObject({ left: -19, right: -15 });
    // 60 mm below the flange's underside at −15; 8 mm of front above the flange
    expect(stack?.body.at(-1)?.x).toBe(45);
    expect(stack?.frontX).toBe(-27);
  });

  test('every dimension it draws is as long as the margin it prints, in either direction', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 100, noNaN: true }),
        fc.double({ min: 5, max: 50, noNaN: true }),
        fc.double({ min: 130, max: 160, noNaN: true }),
        (depth, gap, hole) => {
          const at = opening({
            depthBehind: exact(depth),
            frontGap: exact(gap),
            hole: { kind: 'circle', diameter: exact(hole) },
          });
          const { margins } = draw(at, candidate({ bracket: bracket() }));
          expect(margins.map(({ id }) => id)).toEqual(['hole', 'depth', 'front']);
          for (const { id, from, to, marginMm } of margins) {
            const length = id === 'hole' ? to.y - from.y : id === 'depth' ? to.x - from.x : from.x - to.x;
            expect(length).toBeCloseTo(marginMm, 6);
          }
        },
      ),
    );
  });

  test('a tight place that is off the cut is not drawn: a round basket is tight across an oval hole', () => {
    const at = opening({ hole: { kind: 'oval', length: exact(220), width: exact(150) } });
    expect(draw(at, candidate({ speaker: speaker() })).margins.map(({ id }) => id)).toEqual(['depth', 'front']);
  });

  test('holds everything inside its extent, and draws an opening that nobody has measured', () => {
    const { extent, stack, glassX } = draw();
    expect(extent.right).toBeGreaterThan(glassX ?? 0);
    expect(extent.left).toBeLessThan(stack?.frontX ?? 0);
    expect(extent.bottom).toBeGreaterThan(stack?.flange.outer ?? 0);
    const unknown = sectionGeometry(
      opening({ hole: { kind: 'circle', diameter: null }, depthBehind: null, frontGap: null }),
      null,
      null,
      RULES,
    );
    expect(unknown).toMatchObject({ glassX: null, grilleX: null, stack: null, margins: [] });
  });
});

test('the scale is the largest standard one that fits', () => {
  expect(chooseScale(100, 100, 100 * PX_PER_MM, 1000).label).toBe('1 : 1');
  expect(chooseScale(100, 100, 100 * PX_PER_MM - 1, 1000).label).toBe('1 : 1.25');
  expect(chooseScale(100, 100, 1000, 50 * PX_PER_MM).label).toBe('1 : 2');
  expect(chooseScale(1000, 100, 10, 10).label).toBe('1 : 10');
});
