import { describe, expect, test } from '@jest/globals';
import { AskedAgain } from './AskedAgain';

/** Asks for keys, one letter each, and says which had to be found. */
function foundOf(asked: string, most = 3, mostRecent = 2): string {
  const kept = new AskedAgain<string>(most, mostRecent);
  let found = '';
  for (const key of asked) {
    const value = kept.get(key, () => {
      found += key;
      return key.toUpperCase();
    });
    expect(value).toBe(key.toUpperCase());
  }
  return found;
}

describe('AskedAgain', () => {
  test('what is asked for twice in a row, or by turns, is found once', () => {
    expect(foundOf('aaabbb')).toBe('ab');
    expect(foundOf('abababab')).toBe('ab');
  });

  test('what was asked for once goes with the second that comes after it', () => {
    expect(foundOf('abca')).toBe('abca');
    expect(foundOf('abcdeb')).toBe('abcdeb');
  });

  test('what was asked for again stays however many come once', () => {
    expect(foundOf('aabcdefga')).toBe('abcdefg');
  });

  test('of those, one more than the most clears the others', () => {
    expect(foundOf('aabbcc' + 'abc')).toBe('abc');
    expect(foundOf('aabbccdd' + 'd' + 'a')).toBe('abcda');
  });
});
