/** Chances, questions what to measure, costs, and near misses: what uncertainty decides. */
import { describe, expect, test } from '@jest/globals';
import jstat from 'jstat';
import {
  adapter,
  bracket,
  candidate,
  circlePattern,
  depthAt,
  exact,
  FLAT,
  opening,
  RULES,
  rodAt,
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import type { Dimension } from '../uncertainty/Dimension';
import { nearMisses } from './advice/nearMisses';
import { nextMeasurements, outcomesOf } from './advice/nextMeasurement';
import { orderNowOrMeasure } from './advice/orderNowOrMeasure';
import { judgeCandidate } from './judgeCandidate';
import type { Candidate, FitCatalogue, FitOpening } from './shapes';

const normal = (valueMm: number, uncertaintyMm: number): Dimension => ({
  valueMm,
  uncertaintyMm,
  degreesOfFreedom: null,
  origin: 'carriedOver',
});

const judge = (at: FitOpening, what: Candidate) => judgeCandidate(at, what, [adapter()], RULES);

function chanceOf(at: FitOpening, what: Candidate = candidate()): number {
  const { chance } = judge(at, what);
  if (chance === null) throw new Error('expected a chance');
  return chance;
}

describe('the chance of the whole', () => {
  test('one doubtful depth: P(Z ≥ −1.5 / 2), from a statistics library', () => {
    const at = opening({ depths: depthAt(normal(66.5, 2)) });
    const expected = 1 - jstat.normal.cdf(-0.75, 0, 1);
    expect(Math.abs(chanceOf(at) - expected)).toBeLessThan(0.01);
  });

  test('two independent checks at the limit: a quarter, not a half', () => {
    const at = opening({ depths: depthAt(normal(65, 1)), frontGap: normal(15, 1) });
    expect(Math.abs(chanceOf(at) - 0.25)).toBeLessThan(0.02);
  });

  test('a bracket whose height counts on both sides: what one gains the other loses', () => {
    // Both margins are 0 ± 1 and perfectly opposed: they never clear together.
    const high = bracket({ height: normal(6, 1), throat: { kind: 'circle', diameter: exact(160) } });
    const at = opening({ depths: depthAt(exact(59)), frontGap: exact(21) });
    expect(chanceOf(at, candidate({ brackets: [high] }))).toBeLessThan(0.02);
  });

  test('a glass that may lean either way: whichever it does, a rim comes nearer', () => {
    const at = opening({
      depths: depthAt(exact(66)),
      sheet: { ...FLAT, lean: normal(0, 0.03), sideLean: normal(0, 0.03) },
    });
    // 66 − 60 − 5 = 1 mm in the middle, and 45 mm to the rim of the magnet: free while the lean, whatever its direction, is
    // below 1/45. Two normal leans of 0.03 make a Rayleigh distribution: 1 − exp(−(1/45)²/(2 · 0.03²)).
    const expected = 1 - Math.exp(-((1 / 45) ** 2) / (2 * 0.03 ** 2));
    expect(Math.abs(chanceOf(at) - expected)).toBeLessThan(0.04);
  });

  test('an obstacle 7 mm off that may stand 15 mm to either side: 8 of 30 hit', () => {
    const beside = within(0, 15);
    const beam = rodAt({ xMm: 0, yMm: -61, depth: exact(50), diameterMm: 10, placeX: beside, placeY: beside });
    const at = opening({ depths: depthAt(exact(200)), obstacles: [{ ...beam, angleRad: 0 }] });
    const { checks } = judge(at, candidate());
    const found = checks.find(({ id }) => id === 'obstacles');
    // 61 − 45 (the magnet) − 5 − 4 = 7 mm, and only its way up and down counts.
    expect(found?.margin?.valueMm).toBeCloseTo(7, 6);
    expect(Math.abs(chanceOf(at) - (1 - 8 / 30))).toBeLessThan(0.01);
  });

  test('the same stack gives the same figure; a missing dimension, or a hold, gives none', () => {
    const at = opening({ depths: depthAt(normal(66.5, 2)) });
    expect(chanceOf(at)).toEqual(chanceOf(at));
    expect(judge(opening({ frontGap: null }), candidate()).chance).toBeNull();
    expect(judge(opening({ secondPlug: 'warning' }), candidate()).chance).toBeNull();
  });
});

const OPTIONS = {
  halfWidthsMm: { calliper: 0.2, depthStick: 1, tapeMm: 1.5 },
  places: [
    { key: 'depthBehind', xMm: 0, yMm: 0 },
    { key: 'depthTop', xMm: 0, yMm: 70 },
    { key: 'depthBottom', xMm: 0, yMm: -70 },
  ],
  confidence: 0.975,
};

/** A reading of the depth in the middle, which is known to 3 mm. */
const reading = (uncertaintyMm: number) => ({
  key: 'depthBehind',
  instrument: 'depthStick' as const,
  parts: [
    { name: 'opening.depthBehind', factor: -1, uncertaintyMm: 3 },
    { name: 'reading', factor: 1, uncertaintyMm },
  ],
});

describe('what to measure next', () => {
  test('the dimension that holds the doubt is asked for, and settles what it can', () => {
    const at = opening({ depths: depthAt(normal(70, 4)), frontGap: within(30, 1) });
    const open = [58, 60, 62].map((depth) => candidate({ speaker: speaker({ mountingDepth: exact(depth) }) }));
    const [best] = nextMeasurements(
      at,
      open.map((each) => judge(at, each)),
      OPTIONS,
    );
    expect(best?.action).toMatchObject({ key: 'depthBehind', instrument: 'depthStick' });
    expect(best?.open).toBe(3);
    expect(best?.settled).toBeGreaterThan(2);
  });

  test('with the centre read, a leaning glass asks for the rim where the body is nearest', () => {
    const at = opening({ depths: depthAt(within(72, 1)), sheet: { ...FLAT, lean: normal(-0.1, 0.05) } });
    const [best] = nextMeasurements(at, [judge(at, candidate())], OPTIONS);
    expect(best?.action.key).toBe('depthTop');
  });

  test('what is missing is asked for in any case, and what nothing settles by what settles one check', () => {
    const unknown = opening({ frontGap: null });
    expect(nextMeasurements(unknown, [judge(unknown, candidate())], OPTIONS)[0]?.action.key).toBe('frontGap');
    const close = opening({ depths: depthAt(within(65.5, 1)), frontGap: within(15.2, 1) });
    const next = nextMeasurements(close, [judge(close, candidate())], { ...OPTIONS, places: [] });
    expect(next.length).toBeGreaterThan(0);
  });

  test('what an instrument is always off by is not found by reading the same place again', () => {
    const shared = [{ name: 'instrument.depthStick', uncertaintyMm: 0.5, by: 1 }];
    const depth = { ...normal(65.2, 0.29), shared };
    const at = opening({ depths: depthAt(depth) });
    const [again] = nextMeasurements(at, [judge(at, candidate())], { ...OPTIONS, places: [] });
    expect(again?.settled ?? 0).toBeLessThan(0.5);
  });

  test('a surer instrument never settles less', () => {
    const at = opening({ depths: depthAt(normal(67, 3)) });
    const judged = judge(at, candidate());
    const shares = [4, 2, 1, 0.5, 0.1].map((readingMm) => {
      const verdicts = outcomesOf(judged, reading(readingMm), 0.975);
      return verdicts.filter((verdict) => verdict !== 'measure').length;
    });
    for (const [at2, share] of shares.entries()) expect(share).toBeGreaterThanOrEqual(shares[at2 - 1] ?? 0);
  });

  test('a return that costs 45.00 is worth four minutes of measuring at a doubtful glass, not at a sure one', () => {
    const costs = { returnCostMinor: 4500, minuteCostMinor: 110, minutes: 4 };
    const action = reading(0.58);
    const decide = (depthMm: number, chance: number) =>
      orderNowOrMeasure(
        judge(opening({ depths: depthAt(normal(depthMm, 3)) }), candidate()),
        chance,
        action,
        0.975,
        costs,
      );
    expect(decide(66, 0.6)).toMatchObject({ better: 'measure', orderNowMinor: expect.closeTo(1800, 6) });
    expect(decide(70, 0.95)).toMatchObject({ better: 'order', orderNowMinor: expect.closeTo(225, 6) });
  });
});

describe('near misses', () => {
  const catalogue: FitCatalogue = {
    speakers: [speaker()],
    brackets: [bracket({ height: exact(3), throat: { kind: 'circle', diameter: exact(150) } })],
    spacers: [spacer(2), spacer(9)],
    adapters: [adapter()],
  };
  const near = (at: FitOpening, what = candidate(), smaller: readonly Candidate[] = []) =>
    nearMisses(at, what, catalogue, [adapter()], RULES, smaller);

  test('a glass that is 2 mm too near: the 2 mm ring or the 3 mm plate, both judged', () => {
    const found = near(opening({ depths: depthAt(exact(63)) }));
    expect(found.map(({ kind }) => kind)).toEqual(['spacer', 'bracket']);
    for (const each of found) {
      if (each.kind !== 'spacer' && each.kind !== 'bracket') throw new Error('expected a stack');
      expect(each.judgement.verdict).toBe('clears');
    }
  });

  test('the front alone, by 2 mm: cut the cloth; by 20 mm it is no near miss', () => {
    expect(near(opening({ frontGap: exact(13) }))).toMatchObject([
      { kind: 'byHand', works: [{ kind: 'cutCloth', byMm: 2 }] },
    ]);
    expect(near(opening({ frontGap: exact(0) }))).toEqual([]);
  });

  test('screws that miss: so many new holes, and which old ones go on being used', () => {
    const wide = circlePattern(4, exact(176), 5);
    const what = candidate({ speaker: speaker({ bolts: wide, flange: { kind: 'circle', diameter: exact(190) } }) });
    const drills = (at: FitOpening) =>
      near(at, what)
        .flatMap((each) => (each.kind === 'byHand' ? each.works : []))
        .filter(({ kind }) => kind === 'drill');
    const [drill] = drills(opening({ bolts: circlePattern(3, exact(176), 4) }));
    expect(drill?.kind === 'drill' && [drill.holes.length, drill.kept.length]).toEqual([2, 1]);
    // Nobody is told to drill where an airbag sits, or where nobody looked for one.
    for (const airbag of ['near', 'notLooked'] as const)
      expect(drills(opening({ bolts: circlePattern(3, exact(176), 4), airbag }))).toEqual([]);
    // 3 mm beside the old holes, or where the hole is, there is nothing to drill into.
    expect(drills(opening({ bolts: circlePattern(4, exact(170), 4) }))).toEqual([]);
    expect(
      drills(opening({ bolts: circlePattern(4, exact(196), 4), hole: { kind: 'circle', diameter: exact(172) } })),
    ).toEqual([]);
  });

  test('a smaller one is offered only when it clears; what clears has no near miss', () => {
    const small = candidate({ speaker: speaker({ id: 'small', mountingDepth: exact(40) }) });
    const tooDeep = opening({ depths: depthAt(exact(50)), frontGap: exact(16) });
    expect(near(tooDeep, candidate(), [small]).map(({ kind }) => kind)).toEqual(['smaller']);
    expect(near(tooDeep, candidate(), [candidate()])).toEqual([]);
    expect(near(opening())).toEqual([]);
  });
});

test('so sure that few draws tell, an interval is no narrower near the limit than far from it', () => {
  const rules = { ...RULES, confidence: 0.9995 };
  const marginAt = (mm: number) => {
    const at = opening({ frontGap: within(mm, 1), depths: depthAt(within(90, 0.1)) });
    const what = candidate({ speaker: speaker({ frontHeight: within(8, 0.5), flangeThickness: within(4, 0.5) }) });
    const { checks } = judgeCandidate(at, what, [adapter()], rules);
    return checks.find(({ id }) => id === 'front')?.margin?.expandedMm ?? 0;
  };
  // 8 + 4 + 3 are asked; at 16.9 the least room is just none.
  for (const near of [16.6, 16.8, 16.9, 17]) expect(marginAt(near)).toBeGreaterThanOrEqual(marginAt(60) - 1e-9);
});
