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
