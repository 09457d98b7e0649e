import { expect, test } from '@jest/globals';
import { narrowed } from './narrowed';

const OPTIONS = ['Wrackline Shoal 65, 6.5 in', 'Wrackline Reef 69, 6×9', 'Élan Sole 4, 4 in'].map((label, at) => ({
  value: String(at),
  label,
}));

test.each([
  ['', ['0', '1', '2']],
  ['  ', ['0', '1', '2']],
  ['shoal', ['0']],
  ['wrack 69', ['1']],
  ['69 WRACK', ['1']],
  ['6x9', ['1']],
  ['6×9', ['1']],
  ['elan', ['2']],
  ['élan', ['2']],
  ['wrack sole', []],
])('%j leaves %j', (typed, left) => {
  expect(narrowed(OPTIONS, typed).map(({ value }) => value)).toEqual(left);
});
