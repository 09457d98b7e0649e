import { expect, test } from '@jest/globals';
import { isNightWorkDue } from './isNightWorkDue';

const at = (day: number, hour: number, minute = 0) => new Date(2026, 2, day, hour, minute);
const HOURS = { to: '17:30' };

test.each([
  ['never made', at(2, 12), null, true],
  ['made last night, now at work', at(3, 12), at(2, 19, 31), false],
  ['two hours after closing, to the minute', at(3, 19, 30), at(2, 19, 31), true],
  ['a minute before', at(3, 19, 29), at(2, 19, 31), false],
  ['made this night already', at(3, 23), at(3, 19, 31), false],
  ['after midnight, made this night', at(4, 2), at(3, 19, 31), false],
  ['the server was off at night: made up for in the morning', at(4, 8), at(2, 19, 31), true],
] as const)('%s', (_, now, last, due) => {
  expect(isNightWorkDue(now, last, HOURS)).toBe(due);
});

const on = (month: number, day: number, hour: number, minute = 0) => new Date(2026, month - 1, day, hour, minute);

test('the tests run where two days of the year are no 24 hours', () => {
  const hours = (month: number, day: number) => (on(month, day + 1, 0).getTime() - on(month, day, 0).getTime()) / 3.6e6;
  expect([hours(3, 29), hours(10, 25), hours(6, 1)]).toEqual([23, 25, 24]);
});

test.each([
  ['the day of 23 hours: made before the night that is over began', on(3, 29, 10), on(3, 28, 19), true],
  ['the day of 23 hours: made in the night that is over', on(3, 29, 10), on(3, 28, 19, 31), false],
  ['the day of 25 hours: made in the night that is over', on(10, 25, 10), on(10, 24, 19, 31), false],
  ['the day of 25 hours: the next night begins', on(10, 25, 19, 30), on(10, 24, 19, 31), true],
] as const)('%s', (_, now, last, due) => {
  expect(isNightWorkDue(now, last, HOURS)).toBe(due);
});
