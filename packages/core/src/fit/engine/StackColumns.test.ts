import { expect, test } from '@jest/globals';
import { StackColumns } from './StackColumns';

const CLASSES = Int32Array.of(0, 0, 1, 2);
const margin = (value: number) => ({ value, expanded: value / 10, least: value - 1 });

test('a class that keeps its mounts keeps its margins, wherever its stacks move', () => {
  const columns = new StackColumns(CLASSES.length);
  columns.resize(CLASSES, [2, 1, 3], [false, false, false]);
  expect([...columns.first]).toEqual([0, 2, 4, 5, 8]);
  for (let stack = 0; stack < 8; stack++) columns.depth.keep(stack, margin(stack));
  columns.resize(CLASSES, [4, 1, 3], [false, true, true]);
  expect([...columns.first]).toEqual([0, 4, 8, 9, 12]);
  // Class 0 is new; those of class 1 and 2 stood at 4 and at 5 to 7.
  expect([...columns.depth.made]).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1]);
  expect([...columns.depth.value].slice(8)).toEqual([4, 5, 6, 7]);
  expect([...columns.depth.least].slice(8)).toEqual([3, 4, 5, 6]);
  expect(columns.hole.made).toHaveLength(12);
});

test('out of date by its number', () => {
  const columns = new StackColumns(CLASSES.length);
  columns.resize(CLASSES, [1, 1, 1], [false, false, false]);
  columns.hole.keep(2, margin(5));
  expect(columns.hole.made[2]).toBe(columns.hole.now);
  columns.hole.now++;
  expect(columns.hole.made[2]).not.toBe(columns.hole.now);
  columns.hole.keep(2, margin(6));
  expect(columns.hole.made[2]).toBe(columns.hole.now);
});
