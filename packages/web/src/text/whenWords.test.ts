import { expect, test } from '@jest/globals';
import { whenWords } from './whenWords';

const now = new Date(2026, 2, 2, 10, 0);
const at = (...parts: [number, number, number, number, number]) => new Date(...parts).toISOString();

test.each([
  [at(2026, 2, 2, 9, 5), 'today at 09:05'],
  [at(2026, 2, 2, 0, 0), 'today at 00:00'],
  [at(2026, 2, 1, 23, 59), 'yesterday at 23:59'],
  [at(2026, 1, 28, 23, 59), 'on Sat 28.2.2026 at 23:59'],
])('%s is %s', (moment, words) => {
  expect(whenWords(moment, now)).toBe(words);
});
