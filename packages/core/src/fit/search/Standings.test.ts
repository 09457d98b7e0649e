/** The order of random standings against the ranking's own words. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { VERDICT_GRAVITY } from '../Check';
import { Standings } from './Standings';

const { clears: CLEARS, measure: MEASURE, hits: HITS } = VERDICT_GRAVITY;

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

  test.each([1, 2, 3])('the first of what clears, ties and all, seed %d', (seed) => {
    const standings = make(seededRandom(seed));
    const clearing = [...standings.order].filter((at) => standings.verdict[at] === CLEARS);
    for (const most of [0, 1, 5, 17, COUNT]) expect([...standings.clearing(most)]).toEqual(clearing.slice(0, most));
  });
});
