/** What changes at the seat, in words that say no more than its doubt allows. */
import { expect, test } from '@jest/globals';
import { changeWords, rangeWords } from './responseView';

test('a range says its unit once, or both where they differ', () => {
  expect(rangeWords({ name: 'bass', fromHz: 60, toHz: 250 })).toBe('Bass, 60 to 250 Hz');
  expect(rangeWords({ name: 'voices', fromHz: 250, toHz: 4000 })).toBe('Voices, 250 Hz to 4 kHz');
  expect(rangeWords({ name: 'treble', fromHz: 4000, toHz: 16_000 })).toBe('Treble, 4 to 16 kHz');
});

test.each([
  [{ middle: 2.94, lower: 1.2, upper: 4.6 }, 'Louder than before, by 2.9 dB; 95 in 100 lie between +1.2 and +4.6 dB.'],
  [{ middle: -3, lower: -6, upper: -0.2 }, 'Quieter than before, by 3.0 dB; 95 in 100 lie between −6.0 and −0.2 dB.'],
  [
    { middle: 0.4, lower: -2.5, upper: 3.1 },
    'May be louder or quieter than before, in the middle +0.4 dB; 95 in 100 lie between −2.5 and +3.1 dB.',
  ],
  [
    { middle: 0, lower: -0.02, upper: 0.6 },
    'As loud as before, within what is heard; 95 in 100 lie between ±0.0 and +0.6 dB.',
  ],
  [{ middle: 0, lower: 0, upper: 0 }, 'As before: nothing on this channel changes.'],
])('%j', (db, words) => {
  expect(changeWords(db)).toBe(words);
});
