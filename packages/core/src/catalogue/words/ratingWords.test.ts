import { expect, test } from '@jest/globals';
import { ratingWords } from './partWords';

test.each([
  [{ impedanceOhm: 4, rmsW: 60, otherRating: { watt: 240, kind: 'peak' } }, '4 Ω, 60 W RMS'],
  [
    { impedanceOhm: null, rmsW: null, otherRating: { watt: 240, kind: 'peak' } },
    'impedance not stated, 240 W peak (no RMS)',
  ],
  [{ impedanceOhm: 3, rmsW: null, otherRating: { watt: 90, kind: 'range' } }, '3 Ω, up to 90 W (no RMS)'],
  [
    { impedanceOhm: 3, rmsW: null, otherRating: { watt: 90, kind: 'unstated' } },
    '3 Ω, 90 W of an unstated kind (no RMS)',
  ],
  [{ impedanceOhm: 4, rmsW: null, otherRating: null }, '4 Ω, power not stated'],
] as const)('%j is %s', (rated, words) => {
  expect(ratingWords(rated)).toBe(words);
});
