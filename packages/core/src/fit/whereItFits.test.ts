import { expect, test } from '@jest/globals';
import { seededRandom } from '../math';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../testing/largeCatalogue';
import { bestStack } from './bestStack';
import { CatalogueIndex } from './search/CatalogueIndex';
import { FitEngine } from './search/FitEngine';
import type { FitSpeaker } from './shapes';
import { whereItFits } from './whereItFits';

const catalogue = largeCatalogue({ speakers: 600, brackets: 300, seed: 12 });
const random = seededRandom(13);
/** Openings of every size, each with another depth. */
const openings = Array.from({ length: 24 }, (_, at) => {
  const opening = largeVehicle()[at % 12] as ReturnType<typeof largeVehicle>[number];
  const byMm = 20 * random() - 8;
  const depths = opening.depths.map((each) => ({
    ...each,
    depth: { ...each.depth, valueMm: each.depth.valueMm + byMm },
  }));
  return { ...opening, depths };
});

test('in each opening a speaker has the verdict and the stack that it has there alone', () => {
  const seen = new Set<string>();
  const engine = new FitEngine(new CatalogueIndex(catalogue), LARGE_RULES);
  for (const opening of openings.slice(0, 5)) {
    engine.rank(opening);
    const speaker = catalogue.speakers.find(
      ({ id }) => id === engine.rankedSpeaker(engine.order[0] as number).speakerId,
    ) as FitSpeaker;
    const places = whereItFits(speaker, openings, catalogue, LARGE_RULES);
    for (const [at, other] of openings.entries()) {
      const { candidate, judgement } = bestStack(other, speaker, catalogue, LARGE_RULES);
      const best = places[at];
      seen.add(judgement.verdict);
      expect(best?.verdict ?? 'hits').toBe(judgement.verdict);
      if (best?.verdict === 'clears') {
        const deciding = judgement.checks.find(({ id }) => id === best.decidedBy);
        expect(best.marginMm).toBeCloseTo(deciding?.margin?.valueMm ?? 0, 6);
      }
      if (best) expect(best.layerIds).toEqual(candidate.layers.map(({ id }) => id));
    }
  }
  expect([...seen].sort()).toEqual(expect.arrayContaining(['clears', 'hits']));
});
