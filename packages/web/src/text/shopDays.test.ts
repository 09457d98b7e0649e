import { afterEach, expect, test } from '@jest/globals';
import type { DayOrder } from '@low-quarry/core/model';
import { setShopDays, shopDay } from './shopDays';
import { whenWords } from './whenWords';

afterEach(() => setShopDays('dayFirst'));

test.each<[DayOrder, string]>([
  ['dayFirst', 'Wed 4.3.2026'],
  ['monthFirst', 'Wed 3/4/2026'],
  ['yearFirst', 'Wed 2026-03-04'],
])('%s', (order, words) => {
  setShopDays(order);
  expect(shopDay('2026-03-04')).toBe(words);
  const moment = new Date(2026, 2, 4, 9, 5).toISOString();
  expect(shopDay(moment)).toBe(words);
  expect(whenWords(moment, new Date(2026, 2, 8))).toBe(`on ${words} at 09:05`);
});
