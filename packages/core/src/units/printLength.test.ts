import { describe, expect, test } from '@jest/globals';
import { printLength, printMargin, printPlusMinus } from './printLength';

describe('lengths', () => {
  test.each([
    [60, 'mm', '60 mm'],
    [60.25, 'mm', '60.3 mm'],
    [-2.04, 'mm', '−2 mm'],
    [-0.01, 'mm', '0 mm'],
    [60.325, 'in', '2 3/8 in'],
    [25.4, 'in', '1 in'],
    [9.525, 'in', '3/8 in'],
    [0, 'in', '0 in'],
    [-12.7, 'in', '−1/2 in'],
    [25.3, 'in', '1 in'],
  ] as const)('%d mm in %s is %j', (valueMm, unit, text) => {
    expect(printLength(valueMm, unit)).toBe(text);
  });
});

describe('margins are cut to the cautious side', () => {
  test.each([
    [2.39, 'mm', '+2.3'],
    [2.3, 'mm', '+2.3'],
    [0.04, 'mm', '0.0'],
    [-0.01, 'mm', '−0.1'],
    [-7.2, 'mm', '−7.2'],
    // 2.54 mm = 0.1 in; 2.5 mm = 0.09843 in
    [2.54, 'in', '+0.100'],
    [2.5, 'in', '+0.098'],
  ] as const)('%d mm in %s is %j', (valueMm, unit, text) => {
    expect(printMargin(valueMm, unit)).toBe(text);
  });

  test('an interval is rounded up', () => {
    expect(printPlusMinus(0.81, 'mm')).toBe('0.9');
    expect(printPlusMinus(0.8, 'mm')).toBe('0.8');
    expect(printPlusMinus(0, 'mm')).toBe('0.0');
    // 1 mm = 0.03937 in
    expect(printPlusMinus(1, 'in')).toBe('0.040');
  });
});
