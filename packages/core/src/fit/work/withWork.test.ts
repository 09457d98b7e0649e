/** Work is done to what is measured now: what it was advised for may have changed since, and then it is refused with the reason. */
import { describe, expect, test } from '@jest/globals';
import { bracket, candidate, circlePattern, exact, opening, RULES, spacer, speaker } from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { Candidate, FitOpening, FitRules } from '../shapes';
import { ownPlates } from './ownPlate';
import type { Work } from './Work';
import { withWork } from './withWork';

const SHOP: FitRules = { ...RULES, stock: [{ thicknessMm: 6, halfWidthMm: 0.3, ringCostMinor: 1500 }] };
const failure = (at: FitOpening, what: Candidate, ...works: Work[]) => {
  const worked = withWork(at, what, works, SHOP);
  return worked.ok ? null : worked.failure;
};

describe('new holes', () => {
  const drill = (xMm: number, yMm: number): Work => ({
    kind: 'drill',
    holes: [{ xMm, yMm }],
    kept: [0, 1],
    turnedRad: 0,
  });

  test('where the metal is; not in the hole, at its edge or beside an old one, however it was once measured', () => {
    const at = opening({ bolts: circlePattern(4, exact(176), 4) });
    expect(failure(at, candidate(), drill(88, 0))).toBeNull();
    expect(failure(at, candidate(), drill(78, 0))).toContain('(78 mm across, 0 mm up) there is no metal');
    // The old ones stand at 45°.
    expect(failure(at, candidate(), drill(60, 62))).toContain('there is no metal');
    expect(failure({ ...at, hole: { kind: 'circle', diameter: exact(170) } }, candidate(), drill(88, 0))).toContain(
      'there is no metal',
    );
    expect(failure({ ...at, bolts: null }, candidate(), drill(88, 0))).toContain('not measured');
  });

  test('the old ones that are kept are the others’ equals, as sure as their pattern was', () => {
    const at = opening({ bolts: circlePattern(4, { ...exact(176), uncertaintyMm: 0.4 }, 4) });
    const worked = withWork(at, candidate(), [drill(88, 0)], SHOP);
    if (!worked.ok) throw new Error(worked.failure);
    const { bolts } = worked.value.opening;
    expect(bolts?.shape).toMatchObject({ kind: 'free', position: { valueMm: 0, uncertaintyMm: 0.2 } });
    expect(bolts?.shape.kind === 'free' && bolts.shape.holes.length).toBe(3);
    expect(
      failure(opening({ bolts: circlePattern(3, exact(176), 4) }), candidate(), { ...drill(88, 0), kept: [5] } as Work),
    ).toContain('fewer screws than are kept');
  });
});

test('a plate keeps its walls, or is cut anew', () => {
  const at = opening({ bolts: circlePattern(3, exact(176), 4) });
  const what = candidate({ speaker: speaker({ mountingDepth: exact(50) }) });
  const [figures] = ownPlates(at, what.speaker, SHOP);
  if (!figures) throw new Error('expected a plate');
  const cut: Work = { kind: 'cutPlate', ...figures };
  expect(failure(at, what, cut)).toBeNull();
  expect(failure({ ...at, bolts: circlePattern(3, exact(146), 4) }, what, cut)).toContain('would lose a wall');
  expect(failure(at, { ...what, layers: [bracket()] }, cut)).toContain('for the bare speaker');
});

test('cloth that is cut away asks for no room, and what is said is where the front stands', () => {
  const at = opening({ frontGap: exact(10) });
  const worked = withWork(at, candidate(), [{ kind: 'cutCloth', byMm: 5 }], SHOP);
  if (!worked.ok) throw new Error(worked.failure);
  const [before, after] = [at, worked.value.opening].map((each) =>
    judgeCandidate(each, candidate(), [], SHOP).checks.find(({ id }) => id === 'front'),
  );
  // The front reaches 12 out: 2 into the grille.
  expect(before).toMatchObject({ verdict: 'hits', margin: { valueMm: -5 } });
  expect(after).toMatchObject({ verdict: 'clears', margin: { valueMm: 4 } });
  expect(after?.sentence).toBe('The front stands 2 mm into the grille; where its cloth is cut away 6 mm are free.');
});

test('a ring that can spare nothing, terminals that nobody has placed', () => {
  expect(failure(opening(), candidate(), { kind: 'thinRing', byMm: 1 })).toContain(
    'No ring of the stack can spare 1 mm',
  );
  expect(failure(opening(), candidate({ spacer: spacer(3) }), { kind: 'thinRing', byMm: 2 })).toContain(
    'can spare 2 mm',
  );
  expect(failure(opening(), candidate(), { kind: 'bendLugs' })).toContain('where the terminals sit');
});

test('several, one after the other, and what was given is left as it was', () => {
  const at = opening({ hole: { kind: 'circle', diameter: exact(142) } });
  const what = candidate({ spacer: spacer(9) });
  const before = structuredClone([at, what]);
  const worked = withWork(
    at,
    what,
    [
      { kind: 'fileHole', byMm: 1.5 },
      { kind: 'thinRing', byMm: 2 },
    ],
    SHOP,
  );
  if (!worked.ok) throw new Error(worked.failure);
  const of = (given: { readonly opening: FitOpening; readonly candidate: Candidate }, id: string) =>
    judgeCandidate(given.opening, given.candidate, [], SHOP).checks.find((check) => check.id === id)?.margin?.valueMm;
  expect(of(worked.value, 'hole')).toBeCloseTo((of({ opening: at, candidate: what }, 'hole') ?? 0) + 1.5, 9);
  expect(of(worked.value, 'front')).toBeCloseTo((of({ opening: at, candidate: what }, 'front') ?? 0) + 2, 9);
  expect([at, what]).toEqual(before);
});
