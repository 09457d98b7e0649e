import { expect, test } from '@jest/globals';
import { openingRecordSchema } from '../model/opening';
import { measuredBy, PLAIN_OPENING } from '../testing/plainOpening';
import { differencesOf, mergeChanges } from './Field';
import { OPENING_FIELDS } from './openingFields';

const measured = (...readingsMm: number[]) => measuredBy('Rieke', ...readingsMm);
const BASE = { ...PLAIN_OPENING, dimensions: { depthBehind: measured(58) } };

test('every key of the record but its place is a field', () => {
  const paths = new Set(OPENING_FIELDS.map(({ path }) => path.split('.')[0]));
  expect(new Set(Object.keys(openingRecordSchema.shape))).toEqual(new Set([...paths, 'place', 'side']));
});

test('says what was measured, with what and by whom', () => {
  const after = { ...BASE, dimensions: { depthBehind: measured(57.5, 58), frontGap: measured(24) } };
  expect(differencesOf(OPENING_FIELDS, BASE, after)).toEqual([
    {
      path: 'dimensions.depthBehind',
      label: 'Depth behind',
      before: '58 mm, depth stick, Rieke',
      after: '57.5; 58 mm, depth stick, Rieke',
    },
    { path: 'dimensions.frontGap', label: 'Front gap', before: 'not taken', after: '24 mm, depth stick, Rieke' },
  ]);
});

test('two fitters at two dimensions of one door do not stand in each other’s way; one takes a reading back', () => {
  const mine = { ...BASE, dimensions: { ...BASE.dimensions, frontGap: measured(24) } };
  const theirs = { ...BASE, dimensions: {}, note: 'glass sticks' };
  const { merged, clashes } = mergeChanges(OPENING_FIELDS, BASE, mine, theirs);
  expect(clashes).toEqual([]);
  expect(merged).toEqual({ ...BASE, dimensions: { frontGap: measured(24) }, note: 'glass sticks' });
  expect(openingRecordSchema.safeParse(merged).success).toBe(true);
});
