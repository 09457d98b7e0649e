/**
 * Lengths worked by hand: a speaker's best stack with one loser, and what moves leave of the answer. The whole engine is
 * held against a fresh one in `FitEngine.moves`; here stands why each length is what it is.
 */
import { describe, expect, test } from '@jest/globals';
import { largeVehicle } from '../../testing/largeCatalogue';
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitOpening } from '../shapes';
import { Epochs, MOST_EPOCHS } from './Epochs';
import { CHECK_AT, CLEARS, HITS, MEASURE, Scratch } from './Scratch';
import { OWN_CHANGED, SHIFTS, Slack, STAYS } from './Slack';

const { hole: HOLE, depth: DEPTH, front: FRONT } = CHECK_AT;
const SPEAKER = 0;
const WIDEST_MM = 2;
const door = { ...(largeVehicle()[0] as FitOpening), obstacles: [] };
const moved = (dimension: Dimension, by: number) => ({ ...dimension, valueMm: dimension.valueMm + by });

/** Bolts stay, and depths move as the sheet does anywhere. */
function atWork() {
  const depthMoves = {
    compare: () => undefined,
    riseMm: (_speaker: number, _epoch: number, _asked: number, anywhere: number) => anywhere,
    sunkMm: (_speaker: number, _epoch: number, anywhere: number) => anywhere,
  };
  const epochs = new Epochs(1, 100, depthMoves);
  const slack = new Slack(
    epochs,
    depthMoves,
    Int32Array.of(0),
    () => WIDEST_MM,
    () => 1,
  );
  const rank = (opening: FitOpening) => epochs.begin(opening, Float64Array.of(0), 5);
  rank(door);
  return { epochs, slack, rank };
}

function stack(margins: readonly (readonly [number, number, number])[]): Scratch {
  const scratch = new Scratch();
  scratch.begin();
  for (const [check, value, expanded] of margins) scratch.setMargin(check, value, expanded);
  return scratch;
}

const frontBy = (by: number): FitOpening => ({ ...door, frontGap: door.frontGap && moved(door.frontGap, by) });
const holeBy = (by: number): FitOpening => ({
  ...door,
  hole: {
    kind: 'circle',
    diameter: door.hole.kind === 'circle' && door.hole.diameter ? moved(door.hole.diameter, 2 * by) : null,
  },
});

const worthOf = ({ gravest, worstMm, leastSureness }: Scratch) => ({ verdict: gravest, worstMm, leastSureness });

describe('a best stack that hits at the hole by 5 mm, and a loser that hits there by 8', () => {
  const best = stack([
    [HOLE, -5, 0.3],
    [FRONT, 4, 1],
  ]);
  const start = () => {
    const all = atWork();
    all.slack.begin(SPEAKER);
    all.slack.lost(stack([[HOLE, -8, 0.3]]), best);
    all.slack.finish(best, HOLE);
    return all;
  };

  test('nothing moved, or something else by little: the figures stay and the loser loses', () => {
    const { slack, rank } = start();
    expect([slack.ownFate(SPEAKER, false), slack.losersHold(SPEAKER, worthOf(best))]).toEqual([STAYS, true]);
    rank(frontBy(2));
    expect([slack.ownFate(SPEAKER, false), slack.losersHold(SPEAKER, worthOf(best))]).toEqual([STAYS, true]);
  });

  test('the front sinks from +4 to below the 5 mm that the hole misses: it may take part', () => {
    const { slack, rank } = start();
    rank(frontBy(-8.9));
    expect(slack.ownFate(SPEAKER, false)).toBe(STAYS);
    rank(frontBy(-9.1));
    expect(slack.ownFate(SPEAKER, false)).toBe(OWN_CHANGED);
  });

  test('the hole moves: other figures; there and back: the same', () => {
    const { slack, rank } = start();
    rank(holeBy(0.5));
    expect(slack.ownFate(SPEAKER, false)).toBe(OWN_CHANGED);
    rank(holeBy(0));
    expect(slack.ownFate(SPEAKER, false)).toBe(STAYS);
  });

  test('a lead of 3 mm: the best may fall behind by less, and the loser may come up by what is left', () => {
    const { slack, rank } = start();
    expect(slack.losersHold(SPEAKER, { ...worthOf(best), worstMm: -7.9 })).toBe(true);
    expect(slack.losersHold(SPEAKER, { ...worthOf(best), worstMm: -8.1 })).toBe(false);
    rank(holeBy(1));
    expect(slack.losersHold(SPEAKER, { ...worthOf(best), worstMm: -6.9 })).toBe(true);
    expect(slack.losersHold(SPEAKER, { ...worthOf(best), worstMm: -7.1 })).toBe(false);
  });

  test('the loser may stop hitting, at the widest its interval can be, 6 mm up', () => {
    const { slack, rank } = start();
    const better = { verdict: MEASURE, worstMm: 0, leastSureness: 0.2 };
    rank(holeBy(5.9));
    expect(slack.losersHold(SPEAKER, better)).toBe(true);
    rank(holeBy(6.1));
    expect(slack.losersHold(SPEAKER, better)).toBe(false);
  });

  test('a verdict that has become worse is asked anew', () => {
    const { slack } = start();
    expect(slack.losersHold(SPEAKER, { verdict: HITS, worstMm: -5, leastSureness: 0 })).toBe(true);
    const open = stack([[HOLE, 0.1, 0.3]]);
    slack.begin(SPEAKER);
    slack.finish(open, HOLE);
    expect(slack.losersHold(SPEAKER, { verdict: HITS, worstMm: -0.1, leastSureness: -0.5 })).toBe(false);
  });

  test('an epoch that is forgotten takes its moves along, and the lead from what the best is worth now', () => {
    const { slack, rank, epochs } = start();
    const standings = {
      verdict: Uint8Array.of(HITS),
      worstMm: Float64Array.of(-4),
      leastSureness: Float64Array.of(0),
    };
    rank(holeBy(1));
    slack.leave(1, standings);
    expect(epochs.latest).toBe(2);
    // Both came up by one: the lead is 3 mm still, and 5 mm are left until the loser may stop hitting.
    expect(slack.losersHold(SPEAKER, { verdict: HITS, worstMm: -6.9, leastSureness: 0 })).toBe(true);
    expect(slack.losersHold(SPEAKER, { verdict: HITS, worstMm: -7.1, leastSureness: 0 })).toBe(false);
    rank(holeBy(6.1));
    expect(slack.losersHold(SPEAKER, { verdict: MEASURE, worstMm: 0, leastSureness: 0 })).toBe(false);
  });
});

describe('the front decides', () => {
  test('a hit by 6 mm moves along until it may not hit, or the next check comes near', () => {
    const { slack, rank } = atWork();
    const best = stack([
      [FRONT, -6, 1],
      [HOLE, -2, 0.3],
    ]);
    slack.begin(SPEAKER);
    slack.finish(best, FRONT);
    rank(frontBy(-3));
    expect(slack.ownFate(SPEAKER, true)).toBe(SHIFTS);
    rank(frontBy(3.9));
    expect(slack.ownFate(SPEAKER, true)).toBe(SHIFTS);
    rank(frontBy(4.1));
    expect(slack.ownFate(SPEAKER, true)).toBe(OWN_CHANGED);
  });

  test('one that clears moves along until another check is less sure', () => {
    const { slack, rank } = atWork();
    // Sureness 2 against 5 half-widths: the front decides until it has risen by 3 mm.
    const best = stack([
      [FRONT, 2, 1],
      [DEPTH, 10, 2],
    ]);
    expect(best.gravest).toBe(CLEARS);
    slack.begin(SPEAKER);
    slack.finish(best, FRONT);
    rank(frontBy(2.9));
    expect(slack.openFate(SPEAKER)).toBe(SHIFTS);
    rank(frontBy(3.1));
    expect(slack.openFate(SPEAKER)).toBe(OWN_CHANGED);
    rank(frontBy(-20));
    expect(slack.openFate(SPEAKER)).toBe(SHIFTS);
  });
});

describe('a stack that is less sure than it was', () => {
  const open = stack([[FRONT, 0.4, 1]]);
  const start = () => {
    const all = atWork();
    all.slack.begin(SPEAKER);
    all.slack.lost(stack([[HOLE, 0.03, 0.3]]), open);
    all.slack.finish(open, FRONT);
    return all;
  };

  test('holds while it is surer than the loser whose check has not moved', () => {
    const { slack, rank } = start();
    rank(frontBy(-0.2));
    expect(slack.losersHold(SPEAKER, { verdict: MEASURE, worstMm: 0, leastSureness: 0.2 })).toBe(true);
    rank(frontBy(-0.35));
    expect(slack.losersHold(SPEAKER, { verdict: MEASURE, worstMm: 0, leastSureness: 0.05 })).toBe(false);
  });

  test('and is asked anew when more than the front has moved', () => {
    const { slack, rank } = start();
    rank({ ...frontBy(-0.2), hole: holeBy(-0.1).hole });
    expect(slack.losersHold(SPEAKER, { verdict: MEASURE, worstMm: 0, leastSureness: 0.2 })).toBe(false);
  });
});

test('as many epochs as are kept, and the next one takes the place of the oldest', () => {
  const { epochs, rank } = atWork();
  for (let step = 1; step < MOST_EPOCHS; step++) rank(frontBy(step * 0.1));
  const oldest = epochs.next;
  expect(epochs.frontMm(oldest)).toBeCloseTo((MOST_EPOCHS - 1) * 0.1, 9);
  rank(frontBy(0));
  expect(epochs.latest).toBe(oldest);
  expect(epochs.movedCount[oldest]).toBe(0);
});
