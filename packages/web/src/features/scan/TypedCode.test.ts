import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TypedCode } from './TypedCode';

/** What comes of keys, each so long after the one before, ms. */
const pressed = (keys: readonly (readonly [key: string, afterMs: number])[]) => {
  const code = new TypedCode();
  let at = 1000;
  return keys.map(([key, after]) => {
    at += after;
    return code.press(key, at);
  });
};
const scan = (text: string, between = 5) => [...text, 'Enter'].map((key) => [key, between] as const);

test('what a scanner types is a code, with its capitals', () => {
  expect(pressed([['Shift', 5], ...scan('S17')]).at(-1)).toBe('S17');
  expect(pressed(scan('spk-skerrivar-tide-6-half', 30)).at(-1)).toBe('spk-skerrivar-tide-6-half');
});

test('what a person types is none, and neither is Enter alone, nor one letter', () => {
  for (const keys of [
    scan('S17', 90),
    scan(''),
    scan('S'),
    [
      ['S', 5],
      ['1', 5],
      ['7', 5],
      ['Enter', 400],
    ] as const,
  ])
    expect(pressed(keys).filter(Boolean)).toEqual([]);
});

test('two scans in a row are two codes; a key that is no letter ends what was begun', () => {
  expect(pressed([...scan('S17'), ...scan('J3')]).filter(Boolean)).toEqual(['S17', 'J3']);
  expect(pressed([['S', 5], ['Tab', 5], ...scan('17')]).filter(Boolean)).toEqual(['17']);
});

test('whatever a person pressed before, a scan after a pause is just what was scanned', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('a', 'S', 'Tab', 'Shift', 'Enter', '1'), { maxLength: 12 }),
      fc.stringMatching(/^[A-Za-z0-9-]{2,40}$/),
      (before, code) => {
        const keys = [...before.map((key) => [key, 120] as const), [code.charAt(0), 500] as const];
        expect(pressed([...keys, ...scan(code.slice(1))]).at(-1)).toBe(code);
      },
    ),
  );
});
