import { expect, test } from '@jest/globals';
import { dayNumber, dayOfNumber } from './civilDays';

/** The calendar of the runtime as the referee: four hundred years, after which all of it comes again. */
test('every day from 1900 to 2300 is the runtime’s, and comes back as it was', () => {
  for (let number = dayNumber('1900-01-01'); number <= dayNumber('2300-01-01'); number++) {
    // biome-ignore lint/style/noRestrictedGlobals: a calendar, no clock.
    const day = new Date(number * 86_400_000).toISOString().slice(0, 10);
    if (dayOfNumber(number) !== day || dayNumber(day) !== number)
      expect([dayOfNumber(number), dayNumber(day)]).toEqual([day, number]);
  }
  expect([dayNumber('1970-01-01'), dayNumber('2000-03-01')]).toEqual([0, 11_017]);
});
