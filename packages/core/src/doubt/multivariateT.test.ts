import { describe, expect, test } from '@jest/globals';
import jstat from 'jstat';
import { seededRandom } from '../math';
import { fitT, type Observation, Seen, squaredDistance } from './multivariateT';

const random = seededRandom(77);
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
/** Two that go together by 0.8, and a third by itself. */
function drawn(count: number, classAt = 0, middle = 0): Observation[] {
  return Array.from({ length: count }, () => {
    const a = normal();
    return { classAt, values: Float64Array.of(middle + a, middle + 0.8 * a + 0.6 * normal(), middle + 2 * normal()) };
  });
}
const GIVEN = { classes: 1, dimensions: 3, floors: [0, 0, 0] };
const column = (observations: readonly Observation[], at: number) =>
  observations.map(({ values }) => values[at] as number);

test('of normal values the means and covariances are those of the ordinary estimate, nearly', () => {
  const observations = drawn(4000);
  const { means, scatter, df } = fitT(observations, GIVEN);
  expect(df).toBe(32);
  for (const a of [0, 1, 2]) {
    expect(Math.abs((means[0]?.[a] as number) - jstat.mean(column(observations, a)))).toBeLessThan(0.03);
    for (const b of [0, 1, 2]) {
      // A t distribution's covariance is df / (df − 2) times its scatter.
      const covariance = ((scatter[a]?.[b] as number) * df) / (df - 2);
      expect(Math.abs(covariance - jstat.covariance(column(observations, a), column(observations, b)))).toBeLessThan(
        0.13,
      );
    }
  }
});

test('a tenth of wrong values moves it little, and the ordinary estimate far', () => {
  const right = drawn(1800);
  const wrong = Array.from({ length: 200 }, (): Observation => ({ classAt: 0, values: Float64Array.of(40, -40, 40) }));
  const { means } = fitT([...right, ...wrong], GIVEN);
  for (const at of [0, 1, 2]) expect(Math.abs(means[0]?.[at] as number)).toBeLessThan(0.25);
  expect(jstat.mean(column([...right, ...wrong], 0))).toBeGreaterThan(3);
});

describe('with values missing', () => {
  const observations = drawn(3000).map(({ classAt, values }, at) => ({
    classAt,
    values: values.map((value, id) => ((at + id) % 4 === 0 ? Number.NaN : value)),
  }));
  const model = fitT(observations, GIVEN);

  test('what goes together is found all the same', () => {
    const { scatter } = model;
    const correlation =
      (scatter[0]?.[1] as number) / Math.sqrt((scatter[0]?.[0] as number) * (scatter[1]?.[1] as number));
    expect(Math.abs(correlation - 0.8)).toBeLessThan(0.05);
  });

  test('a row is as far off as those of its values that are there', () => {
    const seen = new Seen(model);
    const row = { classAt: 0, values: Float64Array.of(3, Number.NaN, Number.NaN) };
    const block = seen.block(row.values);
    expect(block.there).toEqual([0]);
    const off = squaredDistance(seen.residual(row, block), block.inverse);
    expect(off).toBeCloseTo((3 - (model.means[0]?.[0] as number)) ** 2 / (model.scatter[0]?.[0] as number), 9);
  });
});

test('each class has a mean of its own, and all share how figures go together', () => {
  const { means } = fitT([...drawn(600), ...drawn(600, 1, 10)], { ...GIVEN, classes: 2 });
  for (const at of [0, 1, 2]) {
    expect(Math.abs(means[0]?.[at] as number)).toBeLessThan(0.35);
    expect(Math.abs((means[1]?.[at] as number) - 10)).toBeLessThan(0.35);
  }
});
