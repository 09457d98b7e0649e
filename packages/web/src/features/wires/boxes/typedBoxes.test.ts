/** Boxes as they are typed come back as they were, and a slip is named at its field. */
import { expect, test } from '@jest/globals';
import type { Stowed } from '@low-quarry/core/model';
import { EMPTY_BOX, readBoxesSchema, toBoxesTyped } from './typedBoxes';

const AMPLIFIER: Stowed = {
  ...{ name: 'amplifier', kind: 'amplifier', space: 'boot', heldBy: 'four screws', rmsW: 300, isLater: true },
  box: { lengthMm: 240, widthMm: 160, heightMm: 52.5 },
};
const problems = (...stowed: readonly (typeof EMPTY_BOX)[]) =>
  (readBoxesSchema.safeParse({ stowed: [...stowed] }).error?.issues ?? []).map(({ path }) => path.join('.'));

test('what is kept is typed as it was, and read back the same', () => {
  expect(readBoxesSchema.parse(toBoxesTyped([AMPLIFIER]))).toEqual({ stowed: [AMPLIFIER] });
  const [empty] = readBoxesSchema.parse({ stowed: [{ ...EMPTY_BOX, name: 'box' }] }).stowed;
  expect(empty).toMatchObject({ box: null, space: '', isLater: false });
});

test('a slip is named at its field', () => {
  expect(problems(EMPTY_BOX)).toEqual(['stowed.0.name']);
  expect(problems({ ...EMPTY_BOX, name: 'box', box: '240 mm' })).toEqual(['stowed.0.box']);
  expect(problems({ ...EMPTY_BOX, name: 'box' }, { ...EMPTY_BOX, name: 'Box' })).toEqual(['stowed.1.name']);
});
