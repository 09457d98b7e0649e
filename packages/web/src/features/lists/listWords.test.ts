import { expect, test } from '@jest/globals';
import { changeWords, columnName, restWords } from './listWords';

const NONE = { added: 0, changed: 0, newSpeakers: 0, changedSpeakers: 0 };

test.each([
  [0, 'A'],
  [25, 'Z'],
  [26, 'AA'],
  [51, 'AZ'],
  [52, 'BA'],
])('column %i is %s to a spreadsheet', (at, name) => {
  expect(columnName(at)).toBe(name);
});

test.each([
  [{ ...NONE, added: 3, changed: 12 }, '3 new offers and 12 changed ones'],
  [{ ...NONE, changed: 1 }, '1 changed offer'],
  [{ ...NONE, added: 1 }, '1 new offer'],
  [
    { ...NONE, newSpeakers: 1200, changedSpeakers: 1, changed: 2 },
    '1,200 new speakers, other figures of 1 speaker and 2 changed offers',
  ],
  [{ ...NONE, newSpeakers: 1 }, '1 new speaker'],
  [NONE, ''],
])('%j: %s', (counts, words) => {
  expect(changeWords(counts)).toBe(words);
});

test('everything else is said, each in a sentence, and nothing where there is nothing', () => {
  const nothing = { same: 0, unknown: 0, gone: 0, keptOut: 0, priceRatio: null, notCompared: 0 } as Parameters<
    typeof restWords
  >[1];
  expect(restWords('Hillfoot', nothing)).toEqual([]);
  expect(restWords('Hillfoot', { ...nothing, same: 1, unknown: 2, gone: 12, keptOut: 1, priceRatio: 1.042 })).toEqual([
    'Of the prices that change, the middle one goes up by 4.2 %.',
    '1 row says what is here already.',
    '2 rows are of no part of this library, and of no speaker.',
    '1 row stays out, by the findings below.',
    '12 offers of Hillfoot are not in the list, and stay.',
  ]);
  expect(restWords('Hillfoot', { ...nothing, priceRatio: 0.9 })).toEqual([
    'Of the prices that change, the middle one goes down by 10 %.',
  ]);
});
