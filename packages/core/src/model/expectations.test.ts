import { describe, expect, test } from '@jest/globals';
import { EXPECTATION_LABELS, EXPECTATIONS, type Expectation, expectationsFor, type Wished } from './expectations';
import { GOALS, type Goals, LATERS } from './intake';
import { BODIES } from './vehicle';

const wished = (goals: Goals, body: Wished['vehicle']['body'] = 'estate', later: Wished['later'] = []): Wished => ({
  ...{ goals, keeps: [], later },
  vehicle: { body, cab: null },
});

describe('what is said beforehand follows from the wish and the body', () => {
  test.each<[string, Wished, readonly Expectation[]]>([
    ['nothing was asked', wished(null), []],
    ['clearer', wished({ clearer: 3 }), ['clearerNotLouder', 'quietLetsOtherNoise']],
    ['louder', wished({ louder: 3 }), ['clearerNotLouder', 'powerForLoudness', 'bassHasLimits']],
    [
      'louder, with an amplifier to come',
      wished({ louder: 3 }, 'estate', ['amplifier']),
      ['powerForLoudness', 'bassHasLimits'],
    ],
    ['a repair alone', wished({ repair: 3, simple: 1 }), ['repairIsAsBefore', 'otherSideIsOlder']],
    [
      'a repair that is to be clearer',
      wished({ repair: 3, clearer: 1 }),
      ['clearerNotLouder', 'quietLetsOtherNoise', 'otherSideIsOlder'],
    ],
    ['every seat of a minibus', wished({ everySeat: 3 }, 'minibus'), ['frontDoesNotReach']],
    ['every seat of an estate', wished({ everySeat: 3 }), []],
    ['a roadster', wished(null, 'roadster'), ['openRoof']],
    ['a van', wished(null, 'largeVan'), ['emptyLoadSpace']],
  ])('%s', (_name, job, said) => {
    expect(expectationsFor(job)).toEqual(said);
  });

  test('each is said of some car, and none of every car', () => {
    const cars = BODIES.flatMap((body) =>
      [null, ...GOALS.map((goal): Goals => ({ [goal]: 2 }))].map((goals) => wished(goals, body)),
    );
    for (const each of EXPECTATIONS) {
      const of = cars.filter((job) => expectationsFor(job).includes(each)).length;
      expect(of).toBeGreaterThan(0);
      expect(of).toBeLessThan(cars.length);
      expect(EXPECTATION_LABELS[each]).toMatch(/\.$/);
    }
  });

  test('twice the power is 3 dB', () => {
    expect(10 * Math.log10(2)).toBeCloseTo(3, 1);
    expect(EXPECTATION_LABELS.powerForLoudness).toContain('3 dB');
  });

  test('what is planned for later changes no more than what it touches', () => {
    for (const later of LATERS.filter((each) => each !== 'amplifier'))
      expect(expectationsFor(wished({ louder: 2 }, 'estate', [later]))).toEqual(expectationsFor(wished({ louder: 2 })));
  });
});
