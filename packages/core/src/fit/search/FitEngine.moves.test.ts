/**
 * An engine that has followed a hand through many changes against one that starts from nothing: what it remembers, the best
 * stack and what mates, must change no answer: the same stack, verdict and figures for every speaker, in the same order.
 */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { changedByHand } from '../../testing/changedByHand';
import { fuzzed, fuzzedFrom } from '../../testing/fuzzed';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import { FitEngine } from './FitEngine';

const index = new CatalogueIndex(largeCatalogue({ speakers: 60, brackets: 60, seed: 3 }));
const vehicle = largeVehicle();
const STEPS = 8;
const SEEDS = Array.from({ length: fuzzed(1).numRuns }, (_, at) => fuzzedFrom(at + 1));

function answers(engine: FitEngine) {
  const round = (value: number | null) => (value === null ? null : value.toFixed(7));
  return engine.ranking().speakers.map(({ best, ...speaker }) => ({
    ...speaker,
    ...best,
    marginMm: round(best.marginMm),
    expandedMm: round(best.expandedMm),
  }));
}

describe.each([0, 2, 4, 7, 11].map((at) => [vehicle[at]?.label, vehicle[at]] as const))('%s', (_, start) => {
  test.each(SEEDS)('a hand at work, seed %d', (seed) => {
    const random = seededRandom(seed);
    const engine = new FitEngine(index, LARGE_RULES);
    let opening = start as FitOpening;
    engine.rank(opening);
    for (let step = 0; step < STEPS; step++) {
      // Now and then all the way back, several lengths at once.
      opening = random() < 0.15 ? { ...(start as FitOpening) } : changedByHand(opening, random);
      engine.rank(opening);
      const fresh = new FitEngine(index, LARGE_RULES);
      fresh.rank(opening);
      expect(answers(engine)).toEqual(answers(fresh));
    }
  });
});
