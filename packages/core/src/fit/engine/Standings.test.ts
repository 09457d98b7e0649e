/** The mended order against a whole sort, for random standings and random changes of them. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { HITS, MEASURE } from './Scratch';
import { JUDGED, KEPT, SHIFTED, Standings } from './Standings';

const COUNT = 300;

function judge(standings: Standings, at: number, random: () => number): void {
  standings.verdict[at] = Math.floor(random() * 4);
  // Few different figures, so that every tie occurs.
  standings.worstMm[at] = -Math.round(random() * 6) / 2;
  standings.leastSureness[at] = random() < 0.1 ? Number.MAX_VALUE : Math.round(random() * 8) / 4 - 1;
  standings.parts[at] = Math.floor(random() * 3);
  standings.costMinor[at] = 1000 * Math.floor(random() * 5);
}

function make(random: () => number): Standings {
  const names = Int32Array.from({ length: COUNT }, (_, at) => (at * 7) % COUNT);
  const standings = new Standings(names);
  for (let at = 0; at < COUNT; at++) {
    judge(standings, at, random);
    standings.own[at] = random() < 0.3 ? 0 : 1;
  }
  standings.sort();
  return standings;
}

/** The order as the ranking's own words have it. */
function isInOrder(standings: Standings): boolean {
  const { verdict, own, worstMm, leastSureness, parts, costMinor, nameRank } = standings;
  const key = (at: number): readonly number[] => [
    verdict[at] as number,
    own[at] as number,
    verdict[at] === MEASURE ? -(leastSureness[at] as number) : verdict[at] === HITS ? -(worstMm[at] as number) : 0,
    parts[at] as number,
    costMinor[at] as number,
    nameRank[at] as number,
  ];
  const compare = (a: readonly number[], b: readonly number[]) =>
    a.reduce((found, each, at) => found || Math.sign(each - (b[at] as number)), 0);
  return standings.order.every(
    (at, rank) => rank === 0 || compare(key(standings.order[rank - 1] as number), key(at)) < 0,
  );
}

describe('the order', () => {
  test.each([1, 2, 3])('sorted from nothing, seed %d', (seed) => {
    const standings = make(seededRandom(seed));
    expect(isInOrder(standings)).toBe(true);
    expect(new Set(standings.order).size).toBe(COUNT);
  });

  test.each([1, 2, 3])('mended after some were judged again, seed %d', (seed) => {
    const random = seededRandom(seed);
    const standings = make(random);
    for (let round = 0; round < 10; round++) {
      standings.fate.fill(KEPT);
      for (let at = 0; at < COUNT; at++) {
        if (random() > 0.2) continue;
        standings.fate[at] = JUDGED;
        judge(standings, at, random);
      }
      standings.mend();
      expect(isInOrder(standings)).toBe(true);
    }
  });

  test('those that hit by the front move among the others, in their own order', () => {
    const random = seededRandom(9);
    const standings = make(random);
    standings.fate.fill(KEPT);
    for (let at = 0; at < COUNT; at++) {
      if (standings.verdict[at] !== HITS || random() < 0.5) continue;
      standings.fate[at] = SHIFTED;
      standings.worstMm[at] = (standings.worstMm[at] as number) - 0.75;
    }
    standings.mend();
    expect(isInOrder(standings)).toBe(true);
    expect(new Set(standings.order).size).toBe(COUNT);
  });

  test('nothing judged: the order stays the very same', () => {
    const standings = make(seededRandom(4));
    const { order } = standings;
    standings.fate.fill(KEPT);
    standings.mend();
    expect(standings.order).toBe(order);
  });
});
