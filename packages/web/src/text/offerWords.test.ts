import { expect, test } from '@jest/globals';
import { offersFor } from '@low-quarry/core/order';
import { offered } from '@low-quarry/core/testing/offers';
import { leadWords, offererWords, otherOfferWords } from './offerWords';

const day = (iso: string) => `day ${iso}`;
const words = (changes: Parameters<typeof offered>[2], price: number | null = 550) => {
  const [taken] = offersFor(offered(1, price, { supplier: 'Hillfoot', ...changes }), 2);
  if (!taken) throw new Error('expected an offer');
  return otherOfferWords(taken, 'EUR', day);
};

test('an offer says who, under which number, how many packs, how much and by when', () => {
  expect(words({ number: '77', leadDays: 2 })).toBe('Hillfoot, no. 77: 2 packs of 1, €11.00, here in 2 working days');
  expect(words({ currency: 'USD' })).toBe('Hillfoot: 2 packs of 1, US$11.00');
  expect(words({}, null)).toBe('Hillfoot: 2 packs of 1, price not known');
});

test('what nobody wrote down is left out', () => {
  expect(offererWords({ supplier: 'Hillfoot', number: '' })).toBe('Hillfoot');
  expect(leadWords({ leadDays: null, stock: null }, day)).toBe('');
  expect(leadWords({ leadDays: 0, stock: { pieces: 3, asOf: '2026-11-02' } }, day)).toBe(
    'here the same day, 3 in stock on day 2026-11-02',
  );
});
