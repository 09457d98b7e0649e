/**
 * An engine that has followed a hand through many changes against one that starts from nothing. What the first one passes
 * over it must have been right to pass over: the same stack, verdict and figures for every speaker, in the same order.
 */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { changedByHand } from '../../testing/changedByHand';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import { MOST_EPOCHS } from './Epochs';
import { FitEngine } from './FitEngine';
import { MountIndex } from './MountIndex';
import { JUDGED, KEPT, SHIFTED } from './Standings';

const index = new CatalogueIndex(largeCatalogue({ speakers: 160, brackets: 90, seed: 3 }));
const mounts = new MountIndex(index, LARGE_RULES);
const vehicle = largeVehicle();
const STEPS = 14;

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
  test.each([1, 2])('a hand at work, seed %d', (seed) => {
    const random = seededRandom(seed);
    const engine = new FitEngine(index, LARGE_RULES, mounts);
    let opening = start as FitOpening;
    engine.rank(opening);
    for (let step = 0; step < STEPS; step++) {
      // Now and then all the way back, several lengths at once.
      opening = random() < 0.15 ? { ...(start as FitOpening) } : changedByHand(opening, random);
      engine.rank(opening);
      const fresh = new FitEngine(index, LARGE_RULES, mounts);
      fresh.rank(opening);
      expect(answers(engine)).toEqual(answers(fresh));
    }
  });
});

describe('passes over what a change cannot reach', () => {
  const door = vehicle[0] as FitOpening;
  const fates = (change: (opening: FitOpening) => FitOpening) => {
    const engine = new FitEngine(index, LARGE_RULES, mounts);
    engine.rank(door);
    engine.rank(change(door));
    return [KEPT, SHIFTED, JUDGED].map((fate) => engine.standings.fate.filter((each) => each === fate).length);
  };
  const moved = (dimension: Dimension | null, by: number) =>
    dimension && { ...dimension, valueMm: dimension.valueMm + by };

  test('nothing changed: nobody is judged', () => {
    expect(fates((opening) => ({ ...opening, label: 'another name' }))).toEqual([160, 0, 0]);
  });

  test('the front gap a little wider: where it decides a hit the answer moves along', () => {
    const [kept = 0, shifted = 0, judged = 0] = fates((opening) => ({
      ...opening,
      frontGap: moved(opening.frontGap, 0.2),
    }));
    expect(shifted).toBeGreaterThan(10);
    expect(kept).toBeGreaterThan(10);
    expect(judged).toBeLessThan(80);
  });

  test('the front there and back, and back while the glass moves: figures that moved along come back', () => {
    const engine = new FitEngine(index, LARGE_RULES, mounts);
    const wider = { ...door, frontGap: moved(door.frontGap, 1.5) };
    const deeper = {
      ...door,
      depths: door.depths.map((each) => ({ ...each, depth: moved(each.depth, 2) as Dimension })),
    };
    for (const opening of [
      door,
      wider,
      { ...door },
      wider,
      deeper,
      { ...deeper, frontGap: moved(door.frontGap, -0.5) },
    ]) {
      engine.rank(opening);
      const fresh = new FitEngine(index, LARGE_RULES, mounts);
      fresh.rank(opening);
      expect(answers(engine)).toEqual(answers(fresh));
    }
  });

  test.each([1, 2, 3])(
    'more rankings than openings are kept: what rested on the forgotten ones stands, seed %d',
    (seed) => {
      const random = seededRandom(seed + 40);
      const engine = new FitEngine(index, LARGE_RULES, mounts);
      let opening = door;
      engine.rank(opening);
      for (let step = 1; step <= MOST_EPOCHS + 20; step++) {
        opening = random() < 0.1 ? { ...door } : changedByHand(opening, random);
        engine.rank(opening);
        if (step < MOST_EPOCHS || step % 4 !== 0) continue;
        const fresh = new FitEngine(index, LARGE_RULES, mounts);
        fresh.rank(opening);
        expect(answers(engine)).toEqual(answers(fresh));
      }
    },
  );

  test('another instrument: everybody whose front counts is judged anew', () => {
    const [, shifted, judged = 0] = fates((opening) => ({
      ...opening,
      frontGap: opening.frontGap && { ...opening.frontGap, uncertaintyMm: 0.05 },
    }));
    expect(shifted).toBe(0);
    expect(judged).toBe(160);
  });
});
