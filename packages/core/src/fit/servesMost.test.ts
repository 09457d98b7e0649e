import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../testing/largeCatalogue';
import { chooseServing, servesOf } from './servesMost';
import { whereItFits } from './whereItFits';

const MOST = 3;

/** The best that any so many of them serve together. */
function bestOf(served: readonly (readonly number[])[], most: number, from = 0, done = new Set<number>()): number {
  if (most === 0 || from === served.length) return done.size;
  const without = bestOf(served, most, from + 1, done);
  const within = bestOf(served, most - 1, from + 1, new Set([...done, ...(served[from] as readonly number[])]));
  return Math.max(without, within);
}

describe('few that serve many', () => {
  const sets = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 14 }), { maxLength: 8 }), { maxLength: 9 });

  test('serve at least 1 − 1/e of the most that as many can', () => {
    fc.assert(
      fc.property(sets, (served) => {
        const together = chooseServing(served, MOST).reduce((sum, { adds }) => sum + adds, 0);
        expect(together).toBeGreaterThanOrEqual((1 - 1 / Math.E) * bestOf(served, MOST) - 1e-9);
      }),
    );
  });

  test('say what each adds, none adds nothing, and none is taken twice', () => {
    fc.assert(
      fc.property(sets, (served) => {
        const done = new Set<number>();
        const chosen = chooseServing(served, MOST);
        for (const { at, adds } of chosen) {
          const before = done.size;
          for (const opening of served[at] as readonly number[]) done.add(opening);
          expect(done.size - before).toBe(adds);
          expect(adds).toBeGreaterThan(0);
        }
        expect(new Set(chosen.map(({ at }) => at)).size).toBe(chosen.length);
        if (chosen.length < MOST) expect(done.size).toBe(new Set(served.flat()).size);
      }),
    );
  });

  test('by hand: the widest first, then what it leaves; of equals the first', () => {
    expect(
      chooseServing(
        [
          [1, 2],
          [1, 2, 3, 4],
          [4, 5],
          [5, 4],
        ],
        5,
      ),
    ).toEqual([
      { at: 1, adds: 4 },
      { at: 2, adds: 1 },
    ]);
    expect(chooseServing([], 5)).toEqual([]);
  });
});

test('a speaker is said to be where it fits alone, of the openings of its own size', () => {
  const catalogue = largeCatalogue({ speakers: 60, brackets: 60, seed: 4 });
  const openings = largeVehicle();
  const said: number[] = [];
  const all = servesOf(catalogue, openings, LARGE_RULES, (done) => said.push(done));
  expect(said).toEqual(openings.map((_, at) => at + 1));
  expect(all.map(({ speakerId }) => speakerId)).toEqual(catalogue.speakers.map(({ id }) => id));
  let served = 0;
  for (const [at, speaker] of catalogue.speakers.entries()) {
    const alone = whereItFits(speaker, openings, catalogue, LARGE_RULES);
    const of = (verdict: string) =>
      alone.flatMap((best, place) =>
        best?.verdict === verdict && openings[place]?.nominalSize === speaker.nominalSize ? [place] : [],
      );
    expect(all[at]).toEqual({ speakerId: speaker.id, clears: of('clears'), measure: of('measure') });
    served += all[at]?.clears.length ?? 0;
  }
  expect(served).toBeGreaterThan(5);
});
