import { expect, test } from '@jest/globals';
import jstat from 'jstat';
import { clopperPearson } from './clopperPearson';

test('nothing held of ten: the closed form 1 − 0.025^(1/10)', () => {
  expect(clopperPearson(0, 10, 0.95)).toEqual([0, expect.closeTo(1 - 0.025 ** 0.1, 9)]);
  expect(clopperPearson(10, 10, 0.95)).toEqual([expect.closeTo(0.025 ** 0.1, 9), 1]);
});

test.each([
  [1, 12],
  [7, 20],
  [15, 7525],
  [964, 1000],
])(
  '%i of %i: at either end what was counted is as unlikely as was asked, by the binomial distribution',
  (held, asked) => {
    const [lower, upper] = clopperPearson(held, asked, 0.95);
    expect([lower, upper]).toEqual([
      expect.closeTo(jstat.beta.inv(0.025, held, asked - held + 1), 7),
      expect.closeTo(jstat.beta.inv(0.975, held + 1, asked - held), 7),
    ]);
    expect(1 - jstat.binomial.cdf(held - 1, asked, lower)).toBeCloseTo(0.025, 6);
    expect(jstat.binomial.cdf(held, asked, upper)).toBeCloseTo(0.025, 6);
  },
);
