import { expect, test } from '@jest/globals';
import { CURRENCIES, currencySchema, isCurrency } from './currency';

// The runtime's list comes from Unicode's CLDR, which keeps former currencies too.
test('every code is one that the Unicode data knows as a currency, once', () => {
  const known = new Set(Intl.supportedValuesOf('currency'));
  // Brought in in 2024: older data do not know it.
  const young = new Set(['ZWG', 'SLE', 'VED']);
  expect(CURRENCIES.filter((code) => !known.has(code) && !young.has(code))).toEqual([]);
  expect(new Set(CURRENCIES).size).toBe(CURRENCIES.length);
});

test('every code can be printed', () => {
  for (const currency of [...CURRENCIES, 'XXX'])
    expect(() => new Intl.NumberFormat('en-IE', { style: 'currency', currency }).format(1)).not.toThrow();
});

test.each(['E1R', 'eur', 'EURO', '', 'ZZZ', null, 12])('%s is none', (code) => {
  expect(isCurrency(code)).toBe(false);
  expect(currencySchema.safeParse(code).success).toBe(false);
});
