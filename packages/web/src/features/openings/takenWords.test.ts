import { afterEach, expect, test } from '@jest/globals';
import { setShopDays } from '../../text/shopDays';
import { takenWords } from './takenWords';

const reading = { readingsMm: [143.1], source: 'calliper' as const, entered: '143.1' };
const TAKEN = { ...reading, takenBy: 'Rieke', takenAt: '2026-11-20T09:30:00.000Z' };
afterEach(() => setShopDays('dayFirst'));

test('who took it, and when, in the order in which the shop writes a day', () => {
  expect(takenWords(TAKEN)).toBe('Rieke, Fri 20.11.2026');
  setShopDays('monthFirst');
  expect(takenWords(TAKEN)).toContain('11/20/2026');
  setShopDays('yearFirst');
  expect(takenWords(TAKEN)).toContain('2026-11-20');
});

test('what nobody here took has nobody to be asked; a moment that nobody wrote down is left out', () => {
  expect(takenWords(undefined)).toBeNull();
  expect(takenWords({ ...TAKEN, takenBy: null, takenAt: null })).toBeNull();
  expect(takenWords({ ...TAKEN, takenAt: null })).toBe('Rieke');
});
