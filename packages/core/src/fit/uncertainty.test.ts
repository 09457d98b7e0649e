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
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import type { Dimension } from '../uncertainty/Dimension';
import { judgeCandidate } from './judgeCandidate';
import { nearMisses } from './nearMisses';
import { nextMeasurements, settledShare } from './nextMeasurement';
import { orderNowOrMeasure } from './orderNowOrMeasure';
import type { Candidate, FitCatalogue, FitOpening } from './shapes';
import { wholeChance } from './wholeChance';

const normal = (valueMm: number, uncertaintyMm: number): Dimension => ({
  valueMm,
  uncertaintyMm,
  degreesOfFreedom: null,
  origin: 'carriedOver',
});

const judge = (at: FitOpening, what: Candidate) => judgeCandidate(at, what, [adapter()], RULES);

function chanceOf(at: FitOpening, what: Candidate = candidate()) {
  const whole = wholeChance(at, what, judge(at, what), RULES);
  if (!whole) throw new Error('expected a chance');
  return whole;
}

describe('the chance of the whole', () => {
  test('one doubtful depth: P(Z ≥ −1.5 / 2), from a statistics library', () => {
    const at = opening({ depths: depthAt(normal(66.5, 2)) });
    const expected = 1 - jstat.normal.cdf(-0.75, 0, 1);
    const { chance, firstOrder, differ } = chanceOf(at);
    expect(Math.abs(chance - expected)).toBeLessThan(0.01);
    expect(Math.abs(firstOrder - expected)).toBeLessThan(0.01);
    expect(differ).toBe(false);
  });

  test('two independent checks at the limit: a quarter, not a half', () => {
    const at = opening({ depths: depthAt(normal(65, 1)), frontGap: normal(15, 1) });
    expect(Math.abs(chanceOf(at).chance - 0.25)).toBeLessThan(0.02);
  });

  test('a bracket whose height counts on both sides: what one gains the other loses', () => {
    // Both margins are 0 ± 1 and perfectly opposed: they never clear together.
    const high = bracket({ height: normal(6, 1), throat: { kind: 'circle', diameter: exact(160) } });
    const at = opening({ depths: depthAt(exact(59)), frontGap: exact(21) });
    expect(chanceOf(at, candidate({ brackets: [high] })).chance).toBeLessThan(0.02);
  });

  test('a glass that may lean either way: the slopes do not tell the truth, and that is said', () => {
    const at = opening({
      depths: depthAt(exact(66)),
      sheet: { ...FLAT, lean: normal(0, 0.03), sideLean: normal(0, 0.03) },
    });
    const { chance, firstOrder, differ } = chanceOf(at);
    // Whichever way it leans, a rim comes nearer: half of it is not saved.
    expect(chance).toBeLessThan(firstOrder - 0.1);
    expect(differ).toBe(true);
  });

  test('the same seed gives the same figure; a missing dimension gives none', () => {
    const at = opening({ depths: depthAt(normal(66.5, 2)) });
    expect(chanceOf(at)).toEqual(chanceOf(at));
    const unknown = opening({ frontGap: null });
    expect(wholeChance(unknown, candidate(), judge(unknown, candidate()), RULES)).toBeNull();
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

  test('what was read with the best instrument already is not asked for again', () => {
    const at = opening({ depths: depthAt(within(65.5, 1)) });
    expect(nextMeasurements(at, [judge(at, candidate())], { ...OPTIONS, places: [] })).toEqual([]);
  });

  test('a surer instrument never settles less', () => {
    const at = opening({ depths: depthAt(normal(67, 3)) });
    const judged = judge(at, candidate());
    const action = (readingMm: number) => ({
      key: 'depthBehind',
      instrument: 'depthStick' as const,
      readingMm,
      parts: [{ name: 'opening.depthBehind', factor: 1, uncertaintyMm: 3 }],
    });
    const shares = [4, 2, 1, 0.5, 0.1].map((readingMm) => settledShare(judged, action(readingMm), 0.975));
    for (const [at2, share] of shares.entries()) expect(share).toBeGreaterThanOrEqual(shares[at2 - 1] ?? 0);
  });

  test('a return that costs 45.00 is worth four minutes of measuring at a doubtful glass, not at a sure one', () => {
    const costs = { returnCostMinor: 4500, minuteCostMinor: 110, minutes: 4 };
    const action = {
      key: 'depthBehind',
      instrument: 'depthStick' as const,
      readingMm: 0.58,
      parts: [{ name: 'opening.depthBehind', factor: 1, uncertaintyMm: 3 }],
    };
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
    expect(near(opening({ frontGap: exact(13) }))).toEqual([
      expect.objectContaining({ kind: 'cutCloth', missingMm: 2 }),
    ]);
    expect(near(opening({ frontGap: exact(0) }))).toEqual([]);
  });

  test('screws that miss: so many new holes, in the named material', () => {
    const odd = opening({ bolts: circlePattern(3, exact(156), 4), material: 'plastic' });
    const [drill] = near(odd).filter(({ kind }) => kind === 'drill');
    expect(drill).toMatchObject({ holes: 2, material: 'plastic' });
  });

  test('a smaller one is offered only when it clears; what clears has no near miss', () => {
    const small = candidate({ speaker: speaker({ id: 'small', mountingDepth: exact(40) }) });
    const tooDeep = opening({ depths: depthAt(exact(50)), frontGap: exact(16) });
    expect(near(tooDeep, candidate(), [small]).map(({ kind }) => kind)).toEqual(['smaller']);
    expect(near(tooDeep, candidate(), [candidate()])).toEqual([]);
    expect(near(opening())).toEqual([]);
  });
});
