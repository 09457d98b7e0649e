import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { decimalSignOf, readAmount, readDays, readPieces, readStock, spoiltNumber, tidyCell } from './cells';

describe('an amount', () => {
  test.each<[string, ',' | '.' | null, number, string | null]>([
    ['12', null, 1200, null],
    ['12.5', null, 1250, null],
    ['12,50', null, 1250, null],
    ['€ 1.234,50', null, 123450, 'EUR'],
    ['1,234.50 GBP', null, 123450, 'GBP'],
    ['eur 12,50', null, 1250, 'EUR'],
    ["1'299.00", null, 129900, null],
    ['1 299,00', null, 129900, null],
    ['1\u202f299,00\u00a0€', null, 129900, 'EUR'],
    ['12,-', null, 1200, null],
    ['1.000.000', null, 100_000_000, null],
    ['1.234', ',', 123400, null],
    ['1.234', '.', 123, null],
    ['0', null, 0, null],
  ])('%s, the column’s sign being %s, is %i minor units %s', (text, sign, minor, currency) => {
    expect(readAmount(text, sign)).toEqual({ ok: true, value: { minor, currency } });
  });

  test.each(['', 'abc', '-5', '12.50.1', '1,23,4', '12 each', '1.2345.678', '1,2.345', '99999999', '1e3', '=1+1'])(
    '“%s” is none, and says what would do',
    (text) => {
      const read = readAmount(text, null);
      expect(read.ok ? read.value : read.failure).toBe(`“${text}” was read. An amount such as 12.50 would do.`);
    },
  );

  test('three figures behind the only sign are asked about, not guessed', () => {
    const read = readAmount('1.234', null);
    expect(read.ok ? '' : read.failure).toContain(
      'nothing in the column tells whether its sign is for decimals or for thousands',
    );
  });

  test('whatever amount is written in either way, with thousands or without, is read again', () => {
    const signs = fc.constantFrom<[',' | '.', string]>([',', '.'], ['.', ','], [',', ' '], ['.', "'"], [',', '']);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), signs, (minor, [decimal, thousands]) => {
        const [whole = '', cents = ''] = (minor / 100).toFixed(2).split('.');
        const text = `${whole.replace(/\B(?=(\d{3})+(?!\d))/g, thousands)}${decimal}${cents}`;
        expect(readAmount(text, null)).toEqual({ ok: true, value: { minor, currency: null } });
      }),
    );
  });

  test('no text makes a reader throw', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        for (const read of [readPieces, readDays, readStock]) expect(typeof read(text).ok).toBe('boolean');
        for (const sign of [',', '.', null] as const) expect(typeof readAmount(text, sign).ok).toBe('boolean');
        spoiltNumber(text);
      }),
    );
  });
});

test.each<[readonly string[], ',' | '.' | null]>([
  [['12,50', '1.234', '9'], ','],
  [['12.50', '1,234'], '.'],
  [['1.234.567', '1.234'], ','],
  [['1,234,567'], '.'],
  [['1.234', '2.345'], null],
  [['€ 3,9 each'], ','],
  [[], null],
])('%j has the decimal sign %s', (cells, sign) => {
  expect(decimalSignOf(cells)).toBe(sign);
});

test.each<[string, number | null]>([
  ['2', 2],
  ['Pair', 2],
  ['10er', 10],
  ['x4', 4],
  ['100 pcs.', 100],
  ['2 Stück', 2],
  ['0', null],
  ['1001', null],
  ['a few', null],
])('%s is a pack of %s', (text, pieces) => {
  const read = readPieces(text);
  expect(read.ok ? read.value : null).toBe(pieces);
});

test.each<[string, number | null]>([
  ['3', 3],
  ['2-4 days', 4],
  ['1 week', 5],
  ['2 bis 3 Wochen', 15],
  ['24h', 1],
  ['48 Std', 2],
  ['5 wd', 5],
  ['3 working days', 3],
  ['same day', 0],
  ['soon', null],
  ['400', null],
])('%s is %s working days', (text, days) => {
  const read = readDays(text);
  expect(read.ok ? read.value : null).toBe(days);
});

test.each<[string, number | null]>([
  ['12', 12],
  ['>10', 10],
  ['10+', 10],
  ['1.200', 1200],
  ['no', 0],
  ['yes', null],
  ['-3', null],
])('%s is %s in stock', (text, pieces) => {
  const read = readStock(text);
  expect(read.ok ? read.value : null).toBe(pieces);
});

test.each([
  ['4.01E+12', 'shortened a long number'],
  ['3-Mar', 'took a number for a date'],
  ['02. Mär', 'took a number for a date'],
])('%s was a number before a spreadsheet had it', (text, words) => {
  expect(spoiltNumber(text)).toContain(words);
});

test.each(["'-", "'=1+1", " '+49"])(
  '%s is read without the apostrophe that keeps a spreadsheet from running it',
  (text) => {
    expect(tidyCell(text)).toBe(text.trim().slice(1));
  },
);

test.each(['QT-1007', '3/166', '12.03', 'MAR-3', '1E4'])('%s is a number as people write them', (text) => {
  expect(spoiltNumber(text)).toBeNull();
});
