import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../testing/fuzzed';
import { explainLengthFailure, type LengthFailure, parseLength } from './parseLength';
import { printLength } from './printLength';

describe('what a fitter types', () => {
  const cases: readonly (readonly [string, number, 'mm' | 'in'])[] = [
    ['60', 60, 'mm'],
    ['60mm', 60, 'mm'],
    [' 60.5 mm ', 60.5, 'mm'],
    ['6,5 cm', 65, 'mm'],
    ['.5 cm', 5, 'mm'],
    // 2 3/8 in = 19/8 × 25.4 = 60.325 mm
    ['2 3/8"', 60.325, 'in'],
    ['2-3/8 in', 60.325, 'in'],
    ['2 - 3/8 in', 60.325, 'in'],
    ['2⅜″', 60.325, 'in'],
    ['2 3 / 8 inches', 60.325, 'in'],
    ["2 3/8''", 60.325, 'in'],
    ['3/8', 9.525, 'in'],
    ['1 inch', 25.4, 'in'],
    ['0.5 in.', 12.7, 'in'],
    ['-3 mm', -3, 'mm'],
    ['−3', -3, 'mm'],
    ['0', 0, 'mm'],
  ];
  test.each(cases)('%j is %d mm', (text, valueMm, unit) => {
    expect(parseLength(text, 'mm')).toEqual({ ok: true, value: { valueMm, unit } });
  });

  test('a bare number is in the unit that is set, a bare fraction is inches', () => {
    expect(parseLength('2', 'in')).toEqual({ ok: true, value: { valueMm: 50.8, unit: 'in' } });
    expect(parseLength('1/2', 'mm')).toEqual({ ok: true, value: { valueMm: 12.7, unit: 'in' } });
  });
});

describe('what is not understood', () => {
  const cases: readonly (readonly [string, LengthFailure['kind'], string])[] = [
    ['', 'empty', 'Type a length'],
    ['  ', 'empty', 'Type a length'],
    ['abc', 'notANumber', '"abc"'],
    ['6.5.2', 'notANumber', '"6.5.2"'],
    ['60 furlongs', 'unknownUnit', 'mm, cm, in'],
    ['60 m', 'unknownUnit', '"m"'],
    ['3/0', 'zeroDenominator', 'below the line'],
    ['2 3/8 mm', 'fractionOfMetric', 'inches only'],
    ['1 2', 'notANumber', '"1 2"'],
    ['--5', 'notANumber', '--5'],
    ['1234567890123', 'notANumber', 'not understood'],
    ['9'.repeat(60), 'tooLong', 'too long'],
    ['1,000.5', 'notANumber', '1,000.5'],
    ['Infinity', 'notANumber', 'Infinity'],
    ['1e3', 'unknownUnit', 'e3'],
  ];
  test.each(cases)('%j fails as %s', (text, kind, says) => {
    const parsed = parseLength(text, 'mm');
    if (parsed.ok) throw new Error(`expected a failure, got ${parsed.value.valueMm} mm`);
    expect(parsed.failure.kind).toBe(kind);
    expect(explainLengthFailure(parsed.failure)).toContain(says);
  });
});

describe('properties', () => {
  test('inch fractions become the double nearest to the exact value (1 in = 25.4 mm, exactly)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 1, max: 63 }), (whole, sixtyFourths) => {
        // n/64 in = n × 254 / 640 mm; both whole numbers are exact, so one division rounds correctly.
        const exact = ((whole * 64 + sixtyFourths) * 254) / 640;
        const parsed = parseLength(`${whole} ${sixtyFourths}/64"`, 'mm');
        expect(parsed).toEqual({ ok: true, value: { valueMm: exact, unit: 'in' } });
      }),
    );
  });

  test('any text gives a finite length or a failure that can be explained', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[-+0-9./, "'mincm½⅜-]{0,50}$/)), (text) => {
        const parsed = parseLength(text, 'mm');
        if (parsed.ok) expect(Number.isFinite(parsed.value.valueMm)).toBe(true);
        else expect(explainLengthFailure(parsed.failure).length).toBeGreaterThan(10);
      }),
      fuzzed(2000),
    );
  });

  test('what is printed is read again, to the last printed place', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 8000 }), fc.constantFrom('mm' as const, 'in' as const), (tenths, unit) => {
        const valueMm = tenths / 10;
        const parsed = parseLength(printLength(valueMm, unit), unit);
        if (!parsed.ok) throw new Error(explainLengthFailure(parsed.failure));
        // Millimetres keep the tenth; inches are rounded to 1/32, so off by 1/64 in at most.
        expect(Math.abs(parsed.value.valueMm - valueMm)).toBeLessThanOrEqual(unit === 'mm' ? 1e-9 : 25.4 / 64 + 1e-9);
      }),
    );
  });
});
