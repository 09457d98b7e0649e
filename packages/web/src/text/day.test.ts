import { describe, expect, test } from '@jest/globals';
import { DAY_ORDERS, type DayOrder } from '@low-quarry/core/model';
import { dayFigures, dayWords, isDay, readDay } from './day';

/** A Saturday. */
const TODAY = '2026-11-28';
const read = (text: string, order: DayOrder = 'dayFirst', today = TODAY) => readDay(text, order, today);

describe('a day is read', () => {
  test.each([
    ['4.12.2026', 'dayFirst', '2026-12-04'],
    ['4.12.26', 'dayFirst', '2026-12-04'],
    ['04/12/2026', 'dayFirst', '2026-12-04'],
    [' 4 12 ', 'dayFirst', '2026-12-04'],
    ['4.12.', 'dayFirst', '2026-12-04'],
    ['12/4/2026', 'monthFirst', '2026-12-04'],
    ['12/4', 'monthFirst', '2026-12-04'],
    ['2026-12-04', 'dayFirst', '2026-12-04'],
    ['2026-12-04', 'monthFirst', '2026-12-04'],
    ['26-12-4', 'yearFirst', '2026-12-04'],
    ['12-04', 'yearFirst', '2026-12-04'],
    ['29.2.2028', 'dayFirst', '2028-02-29'],
    ['today', 'dayFirst', '2026-11-28'],
    ['Tomorrow', 'monthFirst', '2026-11-29'],
    ['yesterday', 'dayFirst', '2026-11-27'],
    ['Fri', 'dayFirst', '2026-12-04'],
    ['friday', 'yearFirst', '2026-12-04'],
    ['su', 'dayFirst', '2026-11-29'],
  ] as const)('“%s”, %s: %s', (text, order, day) => {
    expect(read(text, order)).toEqual({ ok: true, value: day });
  });

  test('nothing typed is no day', () => expect(read('  ')).toEqual({ ok: true, value: null }));

  test('a weekday is the next one: said on a Saturday, “Sat” is in a week', () => {
    expect(read('sat')).toEqual({ ok: true, value: '2026-12-05' });
  });

  test('without a year it is the day that lies nearest', () => {
    expect(read('3.1.')).toEqual({ ok: true, value: '2027-01-03' });
    expect(read('20.11.')).toEqual({ ok: true, value: '2026-11-20' });
    expect(read('30.12.', 'dayFirst', '2027-01-02')).toEqual({ ok: true, value: '2026-12-30' });
    expect(read('29.2.', 'dayFirst', '2028-01-10')).toEqual({ ok: true, value: '2028-02-29' });
  });
});

test.each([
  '31.2.2026',
  '29.2.2026',
  '0.12.2026',
  '4.13.2026',
  '12/14',
  '4.12.1926',
  '4.12.226',
  'soon',
  's',
  'monkey',
  'fridays',
  '2026-02-31',
  '4',
  '1.2.3.4',
])('“%s” is no day: it is said what was read and what would do', (text) => {
  const { ok, ...rest } = read(text);
  expect(ok).toBe(false);
  expect(JSON.stringify(rest)).toContain(`“${text}” was read and is no day. Type one such as 4.12.2026`);
});

test('what is shown is read again as the same day, every day of a leap year, in every order', () => {
  for (let ms = Date.UTC(2028, 0, 1); ms < Date.UTC(2029, 0, 1); ms += 86_400_000) {
    const iso = new Date(ms).toISOString().slice(0, 10);
    for (const order of DAY_ORDERS) expect(read(dayFigures(iso, order), order)).toEqual({ ok: true, value: iso });
  }
});

test('the weekday is the calendar’s own (ICU as referee)', () => {
  const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' });
  for (let ms = Date.UTC(2026, 0, 1); ms < Date.UTC(2027, 0, 1); ms += 86_400_000) {
    const iso = new Date(ms).toISOString().slice(0, 10);
    expect(dayWords(iso, 'yearFirst')).toBe(`${weekday.format(ms)} ${iso}`);
  }
  expect(dayWords('2026-12-04', 'dayFirst')).toBe('Fri 4.12.2026');
  expect(dayWords('2026-12-04', 'monthFirst')).toBe('Fri 12/4/2026');
});

test('what is kept is told from what is being typed', () => {
  expect(['2026-12-04', '2028-02-29'].every(isDay)).toBe(true);
  expect(['2026-02-31', '2026-12-4', '4.12.2026', '1826-12-04', '', 'Fri'].some(isDay)).toBe(false);
});
