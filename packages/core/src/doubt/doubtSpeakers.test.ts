import { describe, expect, test } from '@jest/globals';
import type { Figures } from '../catalogue';
import { dirtySpeakers, type Tails } from '../testing/dirtySpeakers';
import type { ComparedSpeaker } from './classFigures';
import { doubtSpeakers } from './doubtSpeakers';

/** How many planted slips are named, how many with their figure, how many of the other rows are accused. */
function counted(rows: number, slips: number, seed: number, tails: Tails) {
  const list = dirtySpeakers({ rows, slips, seed, tails });
  const { doubts } = doubtSpeakers(list.rows, []);
  const planted = new Set(list.planted.map(({ at }) => at));
  return {
    planted: planted.size,
    named: list.planted.filter(({ at }) => doubts.has(at)).length,
    byFigure: list.planted.filter(({ at, figure }) => doubts.get(at)?.figure === figure).length,
    accused: [...doubts.keys()].filter((at) => !planted.has(at)).length,
  };
}

test('of 40 slips among 20,000 rows at least 38 are named, and hardly another row', () => {
  const { planted, named, accused } = counted(20_000, 40, 20_261, 'normal');
  expect(planted).toBe(40);
  expect(named).toBeGreaterThanOrEqual(38);
  expect(accused).toBeLessThanOrEqual(20);
});

test('of 100 slips in lists of any seed at least 95 are named, and at most one in 200 of the other rows', () => {
  const lists = [11, 12, 13].map((seed) => counted(1500, 40, seed, 'normal'));
  const sum = (of: (list: (typeof lists)[number]) => number) => lists.reduce((total, list) => total + of(list), 0);
  expect(sum(({ planted }) => planted)).toBe(120);
  expect(sum(({ named }) => named)).toBeGreaterThanOrEqual(0.95 * 120);
  expect(sum(({ byFigure }) => byFigure)).toBeGreaterThanOrEqual(0.85 * 120);
  expect(sum(({ accused }) => accused)).toBeLessThanOrEqual(0.005 * 3 * 1500);
});

test('where figures stray with heavy tails, and have small strong magnets among them, as few are accused', () => {
  const { planted, named, accused } = counted(3000, 30, 31, 'heavy');
  expect(named).toBeGreaterThanOrEqual(0.85 * planted);
  expect(accused).toBeLessThanOrEqual(0.005 * 3000);
});

describe('one wrong among those of its class', () => {
  const { rows } = dirtySpeakers({ rows: 320, slips: 0, seed: 5 });
  const whole = (row: ComparedSpeaker) =>
    ['flangeThickness', 'magnet', 'mass', 'power'].every((id) => id in row.figures);
  const at = rows.findIndex((row) => row.nominalSize === '6.5 in' && whole(row));
  const right = rows[at]?.figures as Required<Figures>;
  const withFigures = (figures: Figures) =>
    rows.map((row, each) => (each === at ? { ...row, figures: { ...right, ...figures } } : row));
  const doubtOf = (figures: Figures) => doubtSpeakers(withFigures(figures), []).doubts.get(at);

  test('as it is, it is left alone', () => {
    expect(doubtOf({})).toBeUndefined();
  });

  test.each<[keyof Figures, number, RegExp]>([
    ['depth', 1 / 25.4, /it is in inches/],
    ['magnet', 10, /its decimal sign was lost/],
    ['cutout', 0.1, /it is in centimetres/],
    ['mass', 1 / 1000, /it is in kilograms/],
    ['power', 10, /its decimal sign was lost/],
  ])('%s times %f is named with what it would be', (figure, factor, words) => {
    const doubt = doubtOf({ [figure]: right[figure] * factor });
    expect(doubt).toMatchObject({ figure, value: right[figure] * factor });
    expect(doubt?.words).toMatch(words);
    expect(doubt?.chance).toBeGreaterThan(0.5);
    expect(doubt?.proposes).toBeCloseTo(right[figure], 0);
  });

  test('two in each other’s column are named as that', () => {
    const doubt = doubtOf({ depth: right.cutout, cutout: right.depth });
    expect(doubt?.words).toMatch(/the cutout stand in each other’s column/);
    expect(doubt?.proposes).toBe(right.depth);
  });

  test('called by another size’s name, that is named', () => {
    const other = rows.map((row, each) => (each === at ? { ...row, nominalSize: '4 in' as const } : row));
    expect(doubtSpeakers(other, []).doubts.get(at)?.words).toMatch(/likely that it is a 6\.(5|75) in one/);
  });

  test('an impedance that nobody makes is named with the sign that was lost', () => {
    expect(doubtOf({ impedance: 40 })).toMatchObject({ figure: 'impedance', proposes: 4 });
    expect(doubtOf({ impedance: 0.4 })).toMatchObject({ figure: 'impedance', proposes: 4 });
    expect(doubtOf({ impedance: 77 })).toMatchObject({ figure: 'impedance', proposes: null });
  });

  test('what the library knows is compared with, and is not asked about', () => {
    const one = withFigures({ depth: right.depth * 10 })[at] as ComparedSpeaker;
    const others = rows.filter((_, each) => each !== at);
    expect([...doubtSpeakers([one], others).doubts]).toEqual([[0, expect.objectContaining({ figure: 'depth' })]]);
  });
});

test('deeper than its sisters by just the flange: counted from the top', () => {
  const figures = { cutout: 134, flange: 158, flangeThickness: 4.5, depth: 60, magnet: 80 };
  const sister = (depth: number): ComparedSpeaker => ({
    maker: 'Ostler',
    speakerKind: 'coaxial',
    nominalSize: '6.5 in',
    figures: { ...figures, depth },
  });
  const { doubts, notCompared } = doubtSpeakers([sister(60), sister(60.5), sister(64.5)], []);
  expect([...doubts]).toEqual([[2, expect.objectContaining({ figure: 'depth', value: 64.5, proposes: 60 })]]);
  expect(doubts.get(2)?.words).toContain('2 of the same maker with the same cutout, flange and magnet have 60.25 mm');
  // Three are no class: of them nobody can say more than that.
  expect(notCompared).toEqual([0, 1, 2]);
  expect(doubtSpeakers([sister(60), sister(60.5), sister(70)], []).doubts.size).toBe(0);
});

test('nothing is asked about nothing', () => {
  expect(doubtSpeakers([], [])).toEqual({ doubts: new Map(), notCompared: [], datums: [] });
});

describe('a maker who counts every depth from the top of the flange', () => {
  const shifted = (seed: number, who: string | null) => {
    const { rows } = dirtySpeakers({ rows: 2000, slips: 0, seed });
    const top = rows.map((row) => {
      const { depth, flangeThickness } = row.figures;
      if (row.maker !== who || depth === undefined || flangeThickness === undefined) return row;
      return { ...row, figures: { ...row.figures, depth: depth + flangeThickness } };
    });
    return doubtSpeakers(top, []).datums;
  };

  test('is named where there are enough of his, and others hardly ever', () => {
    const seeds = [1, 2, 3];
    const named = seeds.map((seed) => shifted(seed, `Maker ${seed}`).map(({ maker }) => maker));
    expect(named.filter((makers, at) => makers.includes(`Maker ${seeds[at]}`)).length).toBeGreaterThanOrEqual(2);
    const others = named.flatMap((makers, at) => makers.filter((maker) => maker !== `Maker ${seeds[at]}`));
    expect(others.length).toBeLessThanOrEqual(2);
  });
});
