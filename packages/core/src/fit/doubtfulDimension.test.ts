import { expect, test } from '@jest/globals';
import { adapter, candidate, exact, opening, RULES, speaker, within } from '../testing/shapes';
import { doubtfulDimension } from './doubtfulDimension';
import { judgeCandidate } from './judgeCandidate';

function doubtOf(id: string, at = opening(), what = candidate()) {
  const margin = judgeCandidate(at, what, [adapter()], RULES).checks.find((check) => check.id === id)?.margin;
  return margin ? doubtfulDimension(margin) : null;
}

test('of ±3 mm in the depth behind and ±1 mm in the speaker, nine tenths are the depth behind', () => {
  const at = opening({ depthBehind: within(66, 3) });
  const what = candidate({ speaker: speaker({ mountingDepth: within(60, 1) }) });
  expect(doubtOf('depth', at, what)).toEqual({
    key: 'depthBehind',
    origin: 'takenHere',
    share: expect.closeTo(0.9, 9),
  });
});

test('in the spacer window the more doubtful of the two gaps is named', () => {
  const at = opening({ depthBehind: within(62, 1), frontGap: within(20, 4) });
  expect(doubtOf('spacerWindow', at)).toMatchObject({ key: 'frontGap' });
});

test('where only the part is in doubt, or nothing is, there is nothing to measure at the door', () => {
  expect(doubtOf('depth', opening(), candidate({ speaker: speaker({ mountingDepth: within(60, 1) }) }))).toBeNull();
  expect(doubtOf('depth', opening({ depthBehind: exact(66) }))).toBeNull();
});
