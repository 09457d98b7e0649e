import { expect, test } from '@jest/globals';
import { type FitLayer, judgeCandidate, WHAT_IF_ID } from '../fit';
import { ringOf } from '../fit/layout/rings';
import { circlePattern, exact, opening, RULES, speaker } from '../testing/shapes';
import { cutPieces } from './cutPieces';

const WHAT = speaker({ mountingDepth: exact(50) });

function pieces(layers: readonly FitLayer[], boltsMm = 176) {
  const at = opening({ bolts: circlePattern(3, exact(boltsMm), 4) });
  const candidate = { speaker: WHAT, layers };
  const { mount } = judgeCandidate(at, candidate, [], RULES);
  return cutPieces({ candidate, opening: at, works: [] }, mount, RULES, 'mm').map(({ what, fault, template }) => [
    what,
    fault,
    template.thicknessMm,
  ]);
}

test('rings of the shop’s sheet are cut; what is bought, and a height that is only tried, is not', () => {
  expect(pieces([])).toEqual([]);
  expect(pieces([ringOf(8)])).toEqual([['ring', null, 8]]);
  expect(pieces([ringOf(8, { made: false })])).toEqual([]);
  expect(pieces([ringOf(7.3, { id: WHAT_IF_ID })])).toEqual([]);
});

test('a ring in whose hole the screws would stand is not sound', () => {
  expect(pieces([ringOf(8)], 140)).toEqual([
    ['ring', expect.stringMatching(/over its edge, and the shop asks 1.5 mm. Cut a plate/), 8],
  ]);
});
