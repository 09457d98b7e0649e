import { expect, test } from '@jest/globals';
import { seededRandom } from '../math';
import { fuzzed } from '../testing/fuzzed';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../testing/largeCatalogue';
import { bestStack } from './bestStack';
import { CatalogueIndex } from './search/CatalogueIndex';
import { FitEngine } from './search/FitEngine';
import type { FitSpeaker } from './shapes';
import { whereItFits } from './whereItFits';

const catalogue = largeCatalogue({ speakers: 300, brackets: 200, seed: 12 });
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

test('the first look has the verdict of the whole ranking, however little room is left in front', () => {
  const index = new CatalogueIndex(catalogue);
  const [first, whole] = [new FitEngine(index, LARGE_RULES), new FitEngine(index, LARGE_RULES)];
  const seen = new Set<number>();
  const steps = fuzzed(7).numRuns;
  for (let step = 0; step < steps; step++) {
    const opening = openings[step % 6] as (typeof openings)[number];
    const { frontGap } = opening;
    if (!frontGap) throw new Error('expected a front gap');
    // From where the flattest of them hit to where all pass, by steps that no speaker shares.
    const gap = {
      ...opening,
      frontGap: { ...frontGap, valueMm: 3 + (20.68 * step) / steps, uncertaintyMm: 0.1 + random() },
    };
    first.rank(gap, { figures: false });
    whole.rank(gap);
    expect(Array.from(first.verdict)).toEqual(Array.from(whole.verdict));
    for (const verdict of whole.verdict) seen.add(verdict);
  }
  expect(seen.size).toBeGreaterThan(1);
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
