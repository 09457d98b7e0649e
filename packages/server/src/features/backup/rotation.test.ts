import { expect, test } from '@jest/globals';
import { toTakeAway } from './rotation';

const DAY_MS = 86_400_000;
const START = Date.parse('2026-01-01T21:30:00.000Z');
const night = (day: number) => ({ name: `n${day}`, madeAt: new Date(START + day * DAY_MS).toISOString() });
const kept = (nights: number) => {
  const all = Array.from({ length: nights }, (_, day) => night(day));
  const gone = new Set(toTakeAway(all));
  return all.filter(({ name }) => !gone.has(name)).map(({ madeAt }) => madeAt.slice(0, 10));
};

test('a week of nights stays whole', () => {
  expect(kept(7)).toHaveLength(7);
});

test('after a year: seven nights, four weeks before them, six months before those', () => {
  // 2026-12-31 is a Thursday; the seven nights reach back to the 25th, in the week of the 21st.
  expect(kept(365)).toEqual([
    '2026-05-31',
    '2026-06-30',
    '2026-07-31',
    '2026-08-31',
    '2026-09-30',
    '2026-10-31',
    '2026-11-29',
    '2026-12-06',
    '2026-12-13',
    '2026-12-20',
    '2026-12-25',
    '2026-12-26',
    '2026-12-27',
    '2026-12-28',
    '2026-12-29',
    '2026-12-30',
    '2026-12-31',
  ]);
});

test('night after night it never holds more than 17 and never loses the newest', () => {
  let all: ReturnType<typeof night>[] = [];
  for (let day = 0; day < 500; day++) {
    all.push(night(day));
    const gone = new Set(toTakeAway(all));
    all = all.filter(({ name }) => !gone.has(name));
    expect(all.at(-1)).toEqual(night(day));
    expect(all.length).toBeLessThanOrEqual(17);
  }
});
