import { expect, test } from '@jest/globals';
import { boresThatFit, counterbore } from './sunkHeads';
import type { TemplateHole } from './Template';

const hole = (xMm: number, sunk: TemplateHole['sunk'] = null): TemplateHole => ({
  ...{ xMm, yMm: 0, diameterMm: 5, of: 'car', sunk },
});

test('a head of a 4.2 mm screw goes into 9.4 mm, 3.4 mm deep: by hand', () => {
  expect(counterbore(4.2)).toEqual({ diameterMm: 9.4, depthMm: 3.4 });
});

test('one that would meet another hole, or leave less than 2 mm under it, is a hand’s', () => {
  const bore = counterbore(4.2);
  const sunk = (holes: readonly TemplateHole[], thicknessMm = 9) =>
    boresThatFit({ holes, thicknessMm }).map((each) => each.sunk);
  expect(sunk([hole(0, bore), hole(7.3)])).toEqual([bore, null]);
  // 7.2 mm apart at the least: half of 9.4 and half of 5.
  expect(sunk([hole(0, bore), hole(7.1)])).toEqual(['byHand', null]);
  expect(sunk([hole(0, bore)], 5.4)).toEqual([bore]);
  expect(sunk([hole(0, bore)], 5.3)).toEqual(['byHand']);
});
