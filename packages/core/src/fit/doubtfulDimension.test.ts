import { expect, test } from '@jest/globals';
import { adapter, candidate, depthAt, exact, FLAT, opening, RULES, speaker, within } from '../testing/shapes';
import { doubtfulDimension } from './doubtfulDimension';
import { judgeCandidate } from './judgeCandidate';

function doubtOf(id: string, at = opening(), what = candidate()) {
  const margin = judgeCandidate(at, what, [adapter()], RULES).checks.find((check) => check.id === id)?.margin;
  return margin ? doubtfulDimension(margin) : null;
}

test('of ±3 mm in the depth behind and ±1 mm in the speaker, nine tenths are the depth behind', () => {
  const at = opening({ depths: depthAt(within(66, 3)) });
  const what = candidate({ speaker: speaker({ mountingDepth: within(60, 1) }) });
  expect(doubtOf('depth', at, what)).toEqual({
    key: 'depthBehind',
    origin: 'takenHere',
    share: expect.closeTo(0.9, 9),
  });
});

test('of several depths the one that counts most where the body is nearest', () => {
  const top = { key: 'depthTop', xMm: 0, yMm: 60, depth: within(66, 3) };
  const at = opening({ depths: [...depthAt(within(66, 1)), top], sheet: { ...FLAT, lean: within(0, 0.3) } });
  expect(doubtOf('depth', at)).toMatchObject({ key: 'depthTop' });
});

test('where only the part is in doubt, or nothing is, there is nothing to measure at the door', () => {
  expect(doubtOf('depth', opening(), candidate({ speaker: speaker({ mountingDepth: within(60, 1) }) }))).toBeNull();
  expect(doubtOf('depth', opening({ depths: depthAt(exact(66)) }))).toBeNull();
});
