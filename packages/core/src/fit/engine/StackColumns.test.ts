import { describe, expect, test } from '@jest/globals';
import { CHECK_AT, Scratch } from './Scratch';
import { StackColumns } from './StackColumns';

const CLASSES = Int32Array.of(0, 0, 1, 2);
const margin = (value: number) => ({ value, expanded: value / 10, least: value - 1 });

test('a class that keeps its mounts keeps its margins, wherever its stacks move', () => {
  const columns = new StackColumns(CLASSES.length);
  columns.resize(CLASSES, [2, 1, 3], [false, false, false]);
  expect([...columns.first]).toEqual([0, 2, 4, 5, 8]);
  for (let stack = 0; stack < 8; stack++) columns.of(CHECK_AT.depth).keep(stack, margin(stack));
  columns.resize(CLASSES, [4, 1, 3], [false, true, true]);
  expect([...columns.first]).toEqual([0, 4, 8, 9, 12]);
  // Class 0 is new; those of class 1 and 2 stood at 4 and at 5 to 7.
  expect([...columns.of(CHECK_AT.depth).made]).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1]);
  expect([...columns.of(CHECK_AT.depth).value].slice(8)).toEqual([4, 5, 6, 7]);
  expect([...columns.of(CHECK_AT.depth).least].slice(8)).toEqual([3, 4, 5, 6]);
  expect(columns.of(CHECK_AT.hole).made).toHaveLength(12);
});

test('out of date by its number', () => {
  const columns = new StackColumns(CLASSES.length);
  columns.resize(CLASSES, [1, 1, 1], [false, false, false]);
  columns.of(CHECK_AT.hole).keep(2, margin(5));
  expect(columns.of(CHECK_AT.hole).made[2]).toBe(columns.of(CHECK_AT.hole).now);
  columns.of(CHECK_AT.hole).now++;
  expect(columns.of(CHECK_AT.hole).made[2]).not.toBe(columns.of(CHECK_AT.hole).now);
  columns.of(CHECK_AT.hole).keep(2, margin(6));
  expect(columns.of(CHECK_AT.hole).made[2]).toBe(columns.of(CHECK_AT.hole).now);
});

describe('the best stack of a speaker, which may have a spacer', () => {
  const best = () => {
    const scratch = new Scratch();
    scratch.begin();
    scratch.setMargin(CHECK_AT.hole, -3, 0.4);
    scratch.setMargin(CHECK_AT.depth, 2.5, 1.1, 2);
    return scratch;
  };
  const kept = (scratch: Scratch, isPlain = false) => {
    const columns = new StackColumns(CLASSES.length);
    columns.resize(CLASSES, [1, 1, 1], [false, false, false]);
    columns.keepBest(2, scratch, isPlain);
    return columns;
  };

  test('is found where it was the best before, and nowhere else', () => {
    const columns = kept(best());
    const found = columns.known(CHECK_AT.depth, -1, 2);
    expect([found?.value, found?.expanded, found?.least].map((each) => each?.[columns.knownAt])).toEqual([2.5, 1.1, 2]);
    expect(columns.known(CHECK_AT.depth, -1, -1)).toBeNull();
    expect(columns.known(CHECK_AT.depth, -1, 1)).toBeNull();
  });

  test('goes out of date with the others', () => {
    const columns = kept(best());
    columns.of(CHECK_AT.depth).now++;
    expect(columns.known(CHECK_AT.depth, -1, 2)).toBeNull();
    expect(columns.known(CHECK_AT.hole, -1, 2)).not.toBeNull();
  });

  test('what was not worked out, only roughly, or by the checks themselves is not kept', () => {
    const rough = best();
    rough.isHoleRough = true;
    expect(kept(rough).known(CHECK_AT.hole, -1, 2)).toBeNull();
    expect(kept(best()).known(CHECK_AT.obstacles, -1, 2)).toBeNull();
    expect(kept(best(), true).known(CHECK_AT.depth, -1, 2)).toBeNull();
  });

  test('a margin of the bare stack comes first', () => {
    const columns = kept(best());
    columns.of(CHECK_AT.depth).keep(3, margin(9));
    expect(columns.known(CHECK_AT.depth, 3, 2)).toBe(columns.of(CHECK_AT.depth));
    expect(columns.knownAt).toBe(3);
  });
});
