/** Each slip of `docs/what-goes-wrong.md` has its test: the file is there, and the words are a title in it. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';

const ROOT = path.join(import.meta.dirname, '../../../..');
const rows = readFileSync(path.join(ROOT, 'docs/what-goes-wrong.md'), 'utf8')
  .split('\n')
  .flatMap((line) => {
    const [, file, title] = /\| `([^`]+)`: (.+) \|$/.exec(line) ?? [];
    return file && title ? [[title, file] as const] : [];
  });

test('the list is there, with all of its slips', () => {
  expect(rows).toHaveLength(29);
});

describe('a slip is caught by a test that is there', () => {
  test.each(rows)('%s', (title, file) => {
    const titles = readFileSync(path.join(ROOT, file), 'utf8')
      .split('\n')
      .filter((line) => /\btest\(/.test(line));
    expect(titles.filter((line) => line.includes(title))).not.toEqual([]);
  });
});
