import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  adapter,
  bracket,
  candidate,
  circlePattern,
  exact,
  opening,
  RULES,
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import type { CheckId } from './Check';
import { judgeCandidate } from './judgeCandidate';
import type { Candidate, FitOpening } from './shapes';
import { spacerWindow } from './spacerWindow';

const judge = (at: FitOpening, what: Candidate) => judgeCandidate(at, what, [adapter()], RULES);

function check(id: CheckId, at: FitOpening = opening(), what: Candidate = candidate()) {
  const found = judge(at, what).checks.find((each) => each.id === id);
  if (!found) throw new Error(`no check ${id}`);
  return found;
}

const marginOf = (id: CheckId, at?: FitOpening, what?: Candidate) => check(id, at, what).margin?.valueMm;

describe('hole', () => {
  test('(150 − 142) / 2 − 1 = 3 mm', () => {
    expect(marginOf('hole')).toBe(3);
    expect(check('hole').sentence).toBe('The basket passes the hole with 4 mm all round; the shop asks 1 mm.');
  });

  test('exactly at the clearance clears, a hair less hits', () => {
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: exact(144) } })).verdict).toBe('clears');
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: exact(143.99) } })).verdict).toBe('hits');
  });

  test('the tightest passage decides: throat 144 leaves 1 mm and is asked no clearance', () => {
    const what = candidate({ bracket: bracket() });
    expect(marginOf('hole', opening(), what)).toBe(1);
    expect(check('hole', opening(), what).sentence).toContain('throat');
  });

  test('too wide: says by how much on each side', () => {
    const small = opening({ hole: { kind: 'circle', diameter: exact(138) } });
    expect(check('hole', small)).toMatchObject({
      verdict: 'hits',
      sentence: 'The basket is wider than the hole by 2 mm on each side.',
    });
  });

  test('u = half of each diameter in quadrature: ½ √(0.2² + 0.5²) / √3', () => {
    const at = opening({ hole: { kind: 'circle', diameter: within(150, 0.2) } });
    const what = candidate({ speaker: speaker({ basket: { kind: 'circle', diameter: within(142, 0.5) } }) });
    expect(check('hole', at, what).margin?.standardUncertaintyMm).toBeCloseTo(
      (0.5 * Math.hypot(0.2, 0.5)) / Math.sqrt(3),
      12,
    );
  });

  test('an oval in an oval: 220 × 150 takes 212 × 140 with 4 mm along and 5 across', () => {
    const at = opening({ hole: { kind: 'oval', length: exact(220), width: exact(150) } });
    const what = candidate({ speaker: speaker({ basket: { kind: 'oval', length: exact(212), width: exact(140) } }) });
    expect(marginOf('hole', at, what)).toBeCloseTo(3, 9);
  });

  test('not measured: measure first, and which dimension', () => {
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: null } }))).toMatchObject({
      verdict: 'measure',
      margin: null,
      missing: ['holeDiameter'],
    });
    expect(check('hole', opening({ hole: { kind: 'oval', length: null, width: exact(90) } })).missing).toEqual([
      'holeLength',
    ]);
  });
});

describe('bolts', () => {
  test('a 5 mm hole round a 4 mm screw leaves 0.5 mm of play', () => {
    expect(marginOf('bolts')).toBeCloseTo(0.5, 6);
    expect(check('bolts').sentence).toContain('4 of 4 screws line up');
  });

  test('circles that differ by 2 mm miss by 1 mm: −0.5', () => {
    const what = candidate({ speaker: speaker({ bolts: circlePattern(4, exact(158), 5) }) });
    expect(marginOf('bolts', opening(), what)).toBeCloseTo(-0.5, 6);
    expect(check('bolts', opening(), what).verdict).toBe('hits');
  });

  test('three screws against four holes: only one lines up', () => {
    const at = opening({ bolts: circlePattern(3, exact(156), 4) });
    expect(check('bolts', at)).toMatchObject({ verdict: 'hits' });
    expect(check('bolts', at).sentence).toContain('Only 1 of 3 screws');
  });

  test('u of a bolt circle counts half: 0.5 × 1 / √3, although the margin has a kink there', () => {
    const at = opening({ bolts: circlePattern(4, within(156, 1), 4) });
    expect(check('bolts', at).margin?.standardUncertaintyMm).toBeCloseTo(0.5 / Math.sqrt(3), 3);
  });

  test('with a bracket both joints are asked, and the worse decides', () => {
    const crooked = bracket({ speakerBolts: circlePattern(4, exact(153), 4) });
    expect(marginOf('bolts', opening(), candidate({ bracket: crooked }))).toBeCloseTo(0.5 - 1.5, 6);
    expect(check('bolts', opening(), candidate({ bracket: crooked })).sentence).toContain('speaker on the bracket');
  });

  test('screws beside the ring of a spacer are seen: 78 − 2 = 76 inside a ring that starts at 77', () => {
    const wide = spacer(6, { inner: { kind: 'circle', diameter: exact(154) } });
    expect(marginOf('bolts', opening(), candidate({ spacer: wide }))).toBeCloseTo(-1, 6);
    expect(check('bolts', opening(), candidate({ spacer: wide })).sentence).toContain('miss the spacer');
  });
});

describe('depth to the glass', () => {
  test('70 − 60 − 5 = 5 mm; with a 6 mm bracket and a 3 mm spacer 14 mm', () => {
    expect(marginOf('depth')).toBe(5);
    expect(marginOf('depth', opening(), candidate({ bracket: bracket(), spacer: spacer(3) }))).toBe(14);
  });

  test('measured from the top of a 4 mm flange it is 4 mm less deep', () => {
    expect(marginOf('depth', opening(), candidate({ speaker: speaker({ depthDatum: 'top' }) }))).toBe(9);
  });

  test('where the catalogue does not say, the middle is taken and half the flange is doubt: u = 2/√3', () => {
    const margin = check('depth', opening(), candidate({ speaker: speaker({ depthDatum: 'notStated' }) })).margin;
    expect(margin?.valueMm).toBe(7);
    expect(margin?.standardUncertaintyMm).toBeCloseTo(2 / Math.sqrt(3), 12);
  });

  test('metal is asked 4 mm, nothing is asked nothing', () => {
    expect(marginOf('depth', opening({ behind: 'metal' }))).toBe(6);
    expect(check('depth', opening({ behind: 'nothing', depthBehind: null }))).toMatchObject({
      verdict: 'clears',
      margin: null,
    });
  });

  test('one reading with a ±1 mm stick: 4 mm clears, 0.5 mm is too close, −2 mm hits', () => {
    const at = (depthMm: number) => opening({ depthBehind: within(depthMm, 1) });
    expect(check('depth', at(69)).verdict).toBe('clears');
    expect(check('depth', at(65.5))).toMatchObject({ verdict: 'measure' });
    expect(check('depth', at(63)).verdict).toBe('hits');
    expect(check('depth', at(58)).sentence).toBe(
      'The magnet would stand 2 mm into the glass; the shop asks 5 mm of air.',
    );
  });

  test('not taken: measure first', () => {
    expect(check('depth', opening({ depthBehind: null }))).toMatchObject({
      verdict: 'measure',
      missing: ['depthBehind'],
    });
  });
});

describe('front gap', () => {
  test('20 − 4 − 8 − 3 = 5 mm; a 6 mm bracket takes 6 of them', () => {
    expect(marginOf('front')).toBe(5);
    expect(marginOf('front', opening(), candidate({ bracket: bracket() }))).toBe(-1);
    expect(check('front', opening({ frontGap: null })).missing).toEqual(['frontGap']);
  });
});

describe('spacer window', () => {
  const shallow = opening({ depthBehind: exact(61) });

  test('the glass asks 60 + 5 − 61 = 4 mm, the grille allows 5: a window of 1 mm', () => {
    expect(spacerWindow(shallow, candidate(), RULES)).toMatchObject({ leastMm: 4, mostMm: 5 });
    expect(marginOf('spacerWindow', shallow)).toBe(1);
    expect(check('spacerWindow', shallow).sentence).toBe('A spacer from 4 mm to 5 mm clears the glass and the grille.');
  });

  test('empty: no spacer will do, from both sides', () => {
    const tight = opening({ depthBehind: exact(58), frontGap: exact(17) });
    expect(check('spacerWindow', tight)).toMatchObject({
      verdict: 'hits',
      sentence: 'No spacer will do: the glass asks at least 7 mm, the grille allows 2 mm at most.',
    });
  });

  test('a flange that counts on both sides cancels: only depth, gap, depth of the speaker and front height are left', () => {
    const what = candidate({ speaker: speaker({ depthDatum: 'top', flangeThickness: within(4, 1) }) });
    // Less deep by the flange: 60 − 4 + 5 − 57 = 4 mm of spacer are asked.
    const at = opening({ depthBehind: exact(57) });
    expect(marginOf('spacerWindow', at, what)).toBe(1);
    expect(check('spacerWindow', at, what).margin?.standardUncertaintyMm).toBe(0);
  });

  test('a spacer does not change its own window', () => {
    expect(spacerWindow(shallow, candidate({ spacer: spacer(9) }), RULES)).toEqual(
      spacerWindow(shallow, candidate(), RULES),
    );
  });
});

describe('plugs', () => {
  test('an adapter leads to the terminals', () => {
    expect(check('connector')).toMatchObject({
      verdict: 'clears',
      sentence: 'two-way plug to spades 2.8 + 4.8 through Lead; nothing is cut.',
    });
    expect(judge(opening(), candidate()).harness.map(({ id }) => id)).toEqual(['lead']);
  });

  test.each([
    [
      'no adapter',
      opening({ wiring: { kind: 'connector', connectorId: 'other', connectorName: 'odd plug' } }),
      'No adapter leads from odd plug',
    ],
    ['no wires in the door', opening({ wiring: { kind: 'noWires' } }), 'no speaker wires here'],
    ['nobody looked', opening({ wiring: { kind: 'unknown' } }), 'not been looked at'],
  ])('%s: hold', (_, at, says) => {
    expect(check('connector', at).verdict).toBe('hold');
    expect(check('connector', at).sentence).toContain(says);
  });

  test.each([
    ['none', 'clears'],
    ['sound', 'clears'],
    ['warning', 'hold'],
    ['unexplained', 'hold'],
    ['notLooked', 'hold'],
  ] as const)('second plug %s: %s', (secondPlug, verdict) => {
    expect(check('chime', opening({ secondPlug })).verdict).toBe(verdict);
  });
});

describe('the whole', () => {
  test('clears when every check does, and says which is least sure', () => {
    const at = opening({ frontGap: within(20, 1) });
    expect(judge(at, candidate())).toMatchObject({ verdict: 'clears', decidedBy: 'front' });
  });

  test('a hit outweighs a hold, a hold outweighs an open question', () => {
    const held = opening({ wiring: { kind: 'noWires' }, depthBehind: null });
    expect(judge(held, candidate())).toMatchObject({ verdict: 'hold', decidedBy: 'connector' });
    const hit = opening({ wiring: { kind: 'noWires' }, hole: { kind: 'circle', diameter: exact(120) } });
    expect(judge(hit, candidate())).toMatchObject({ verdict: 'hits', decidedBy: 'hole' });
  });

  test('of several hits the one that misses most decides', () => {
    const tight = opening({ depthBehind: exact(50), frontGap: exact(10) });
    expect(judge(tight, candidate()).decidedBy).toBe('spacerWindow');
  });
});

describe('properties', () => {
  const depthMm = fc.double({ min: 30, max: 120, noNaN: true });
  const gapMm = fc.double({ min: 0, max: 60, noNaN: true });
  const heights = fc.tuple(
    fc.double({ min: 0.5, max: 30, noNaN: true }),
    fc.double({ min: 0.5, max: 30, noNaN: true }),
  );

  test('a thicker spacer never worsens the glass margin and never betters the front', () => {
    fc.assert(
      fc.property(depthMm, gapMm, heights, (depth, gap, [a, b]) => {
        const at = opening({ depthBehind: within(depth, 1), frontGap: within(gap, 1) });
        const [thin, thick] = [Math.min(a, b), Math.max(a, b)];
        const on = (id: CheckId, height: number) =>
          marginOf(id, at, candidate({ spacer: spacer(height) })) ?? Number.NaN;
        expect(on('depth', thick)).toBeGreaterThanOrEqual(on('depth', thin));
        expect(on('front', thick)).toBeLessThanOrEqual(on('front', thin));
      }),
    );
  });

  test('inside its window a spacer clears glass and grille, outside it does not', () => {
    fc.assert(
      fc.property(depthMm, gapMm, fc.double({ min: 0.5, max: 30, noNaN: true }), (depth, gap, height) => {
        const at = opening({ depthBehind: exact(depth), frontGap: exact(gap) });
        const what = candidate({ spacer: spacer(height) });
        const window = spacerWindow(at, what, RULES);
        if (!window) throw new Error('expected a window');
        fc.pre(Math.abs(height - window.leastMm) > 1e-6 && Math.abs(height - window.mostMm) > 1e-6);
        const inside = height > window.leastMm && height < window.mostMm;
        const clears = ['depth', 'front'].every((id) => check(id as CheckId, at, what).verdict === 'clears');
        expect(clears).toBe(inside);
      }),
    );
  });

  test('a surer measurement never turns "clears" into anything else', () => {
    fc.assert(
      fc.property(
        depthMm,
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (depth, doubt, part) => {
          const before = check('depth', opening({ depthBehind: within(depth, doubt) })).verdict;
          const after = check('depth', opening({ depthBehind: within(depth, doubt * part) })).verdict;
          if (before !== 'measure') expect(after).toBe(before);
        },
      ),
    );
  });

  test('scaling every length and clearance scales every margin', () => {
    fc.assert(
      fc.property(depthMm, gapMm, fc.double({ min: 0.5, max: 2, noNaN: true }), (depth, gap, factor) => {
        const at = (k: number) =>
          opening({
            depthBehind: exact(depth * k),
            frontGap: exact(gap * k),
            hole: { kind: 'circle', diameter: exact(150 * k) },
            bolts: circlePattern(4, exact(156 * k), 4 * k),
          });
        const what = (k: number) =>
          candidate({
            speaker: speaker({
              basket: { kind: 'circle', diameter: exact(142 * k) },
              flangeThickness: exact(4 * k),
              mountingDepth: exact(60 * k),
              frontHeight: exact(8 * k),
              bolts: circlePattern(4, exact(157 * k), 5 * k),
            }),
          });
        const { glass, metal, front, hole } = RULES.clearancesMm;
        const rules = {
          ...RULES,
          clearancesMm: { glass: glass * factor, metal: metal * factor, front: front * factor, hole: hole * factor },
        };
        const plain = judgeCandidate(at(1), what(1), [adapter()], RULES);
        const scaled = judgeCandidate(at(factor), what(factor), [adapter()], rules);
        plain.checks.forEach(({ margin }, index) => {
          if (margin) expect(scaled.checks[index]?.margin?.valueMm).toBeCloseTo(margin.valueMm * factor, 6);
        });
      }),
    );
  });
});
