/** What says which wire is positive, and what that is worth. */
import { expect, test } from '@jest/globals';
import {
  carriedPolarity,
  POLARITY_BY,
  POLARITY_NOT_KNOWN,
  type Polarity,
  phaseWords,
  polaritySchema,
  polarityWeight,
  polarityWords,
  positivePin,
} from './polarity';

const of = (by: (typeof POLARITY_BY)[number]) => ({ by, positive: 'pin 1', source: 'sheet 4' });

test('only a test proves it; a keyed lead does where the shop says so, a rule about colours never', () => {
  const proven = (keysProve: boolean) => POLARITY_BY.filter((by) => polarityWeight(of(by), keysProve) === 'tested');
  expect(proven(false)).toEqual(['cell', 'meter', 'tone']);
  expect(proven(true)).toEqual(['cell', 'meter', 'tone', 'keyedAdapter']);
  expect(polarityWeight(of('colour'), true)).toBe('guess');
});

test('a test on another car is evidence on this one, and what was a guess stays a guess', () => {
  expect(carriedPolarity(of('cell')).by).toBe('otherCar');
  expect(carriedPolarity(of('colour')).by).toBe('colour');
  expect(carriedPolarity(POLARITY_NOT_KNOWN)).toEqual(POLARITY_NOT_KNOWN);
});

test('what is known says which wire, and a record says which record', () => {
  const paths = (polarity: object) =>
    polaritySchema.safeParse(polarity).error?.issues.map(({ path }) => path.join('.')) ?? [];
  expect(paths(of('cell'))).toEqual([]);
  expect(paths({ ...of('cell'), positive: ' ' })).toEqual(['positive']);
  expect(paths({ ...of('wiringRecord'), source: '' })).toEqual(['source']);
  expect(paths(POLARITY_NOT_KNOWN)).toEqual([]);
  expect(polarityWords(of('markOnOld'))).toBe('pin 1 (the mark on the old speaker: sheet 4)');
});

test('a car is in phase where every pair is tested, and nowhere sooner', () => {
  const cell: Polarity = { by: 'cell', positive: 'pin 1', source: '' };
  const keyed: Polarity = { ...cell, by: 'keyedAdapter' };
  expect(phaseWords([], false)).toBe('No speaker is noted: there is no phase yet.');
  expect(phaseWords([cell], false)).toBe('Which wire is positive is tested.');
  expect(phaseWords([cell, keyed], true)).toBe('Which wire is positive is tested at all 2.');
  expect(phaseWords([cell, keyed, POLARITY_NOT_KNOWN], false)).toBe(
    'Which wire is positive is tested at 1 of 3: one pair that is reversed cancels the bass of the others.',
  );
});

test('a pin is one where it is told as one', () => {
  const pinOf = (positive: string) => positivePin({ by: 'cell', positive, source: '' });
  expect(['pin 1', ' Pin 12 ', 'pin', 'pin 1 or 2', 'the one with the stripe', ''].map(pinOf)).toEqual([
    1,
    12,
    null,
    null,
    null,
    null,
  ]);
});
