import { expect, test } from '@jest/globals';
import { changeWords, columnName, restWords } from './listWords';

const NONE = { of: 'speaker', added: 0, changed: 0, newParts: 0, changedParts: 0, claims: 0 } as const;

test.each([
  [0, 'A'],
  [25, 'Z'],
  [26, 'AA'],
  [51, 'AZ'],
  [52, 'BA'],
])('column %i is %s to a spreadsheet', (at, name) => {
  expect(columnName(at)).toBe(name);
});

test.each<[Parameters<typeof changeWords>[0], string]>([
  [{ ...NONE, added: 3, changed: 12 }, '3 new offers and 12 changed ones'],
  [{ ...NONE, changed: 1 }, '1 changed offer'],
  [{ ...NONE, added: 1 }, '1 new offer'],
  [
    { ...NONE, newParts: 1200, changedParts: 1, changed: 2 },
    '1,200 new speakers, other figures of 1 speaker and 2 changed offers',
  ],
  [{ ...NONE, newParts: 1 }, '1 new speaker'],
  [{ ...NONE, of: 'bassBox', newParts: 3, claims: 1 }, '3 new bass boxes and 1 new claim'],
  [NONE, ''],
])('%j: %s', (counts, words) => {
  expect(changeWords(counts)).toBe(words);
});

test('everything else is said, each in a sentence, and nothing where there is nothing', () => {
  const nothing: Parameters<typeof restWords>[1] = {
    of: 'bracket',
    carsElsewhere: 0,
    same: 0,
    unknown: 0,
    gone: 0,
    keptOut: 0,
    priceRatio: null,
    notCompared: 0,
    datums: [],
  };
  expect(restWords('Hillfoot', nothing)).toEqual([]);
  expect(
    restWords('Hillfoot', {
      ...nothing,
      same: 1,
      unknown: 2,
      carsElsewhere: 30,
      gone: 12,
      keptOut: 1,
      priceRatio: 1.042,
    }),
  ).toEqual([
    'Of the prices that change, the middle one goes up by 4.2 %.',
    '1 row says what is here already.',
    '2 rows are of no part of this library, and say too little of a bracket to be one.',
    '30 cars that it names are not in this library: nothing is noted of them.',
    '1 row stays out, by the findings below.',
    '12 offers of Hillfoot are not in the list, and stay.',
  ]);
  expect(restWords('Hillfoot', { ...nothing, priceRatio: 0.9 })).toEqual([
    'Of the prices that change, the middle one goes down by 10 %.',
  ]);
});

test('a maker who may count from the top of the flange is said, with what to do', () => {
  const datum = { maker: 'Gannock', speakers: 19, overMm: 4.13, flangeMm: 4, chance: 0.87 };
  const [words] = restWords('Hillfoot', {
    of: 'speaker',
    carsElsewhere: 0,
    datums: [datum],
    same: 0,
    unknown: 0,
    gone: 0,
    keptOut: 0,
    priceRatio: null,
    notCompared: 0,
  });
  expect(words).toBe(
    'The depths of Gannock stand 4.1 mm over what their other figures let expect, seen by 19 speakers; their flanges are 4.0 mm thick. 87 % likely that this maker counts from the top of the flange: ask, or measure one. As long as nobody says, each counts as possible.',
  );
});
