import { expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import { rankCandidates } from '../../testing/rankCandidates';
import type { FitOpening } from '../shapes';
import { packRanking, unpackRanking } from './packRanking';

test('what is packed comes out equal, also after it was copied', () => {
  const catalogue = largeCatalogue({ speakers: 300, brackets: 60, seed: 3 });
  for (const opening of largeVehicle().slice(0, 3)) {
    const ranking = rankCandidates(opening as FitOpening, catalogue, LARGE_RULES);
    expect(unpackRanking(structuredClone(packRanking(ranking)))).toEqual(ranking);
  }
});

test('one that lacks a stack is not taken for whole', () => {
  const catalogue = largeCatalogue({ speakers: 5, brackets: 2, seed: 3 });
  const [opening] = largeVehicle();
  const packed = packRanking(rankCandidates(opening as FitOpening, catalogue, LARGE_RULES));
  expect(() => unpackRanking({ ...packed, stacks: [] })).toThrow('expected a whole row 0');
});
