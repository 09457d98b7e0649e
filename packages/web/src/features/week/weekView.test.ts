import { describe, expect, test } from '@jest/globals';
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { droppedAt, movedTo, usualMinutes, weekView } from './weekView';

const BOOKING: Booking = {
  ...{ key: 'k1', lift: 'Lift 1', day: '2026-12-02', at: '16:30', minutes: 120, people: ['Rieke'] },
};
const car = (changes: Partial<WeekCar> = {}): WeekCar => ({
  ...{
    jobId: 'one',
    number: 1,
    version: 1,
    title: 'Ostrand Longshore, PILOT 2',
    plate: 'PILOT 2',
    vehicle: 'Ostrand Longshore',
    dueOn: null,
    booked: [BOOKING],
  },
  ...{ need: null, steps: { done: 0, all: 0 }, waits: null, sharedTools: [] },
  ...changes,
});
const week = (changes: Partial<Week> = {}): Week => ({
  today: '2026-12-01',
  days: ['2026-11-30', '2026-12-01', '2026-12-02', '2026-12-03', '2026-12-04', '2026-12-05', '2026-12-06'],
  hours: { from: '08:00', to: '17:30', days: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'] },
  ...{ lifts: ['Lift 1', 'Lift 2'], people: ['Jory', 'Rieke'], cars: [car()], waiting: [], waitingTotal: 0 },
  ...{ clashes: [], taken: [] },
  ...changes,
});
const told = (view: ReturnType<typeof weekView>) =>
  view.days.flatMap(({ day, columns }) =>
    columns.flatMap(({ name, blocks }) =>
      blocks.map(({ car: { title }, fromMin, toMin, lane, lanes }) => [day, name, title, fromMin, toMin, lane, lanes]),
    ),
  );

test('work that goes on the next day stands in both, on its lift; a closed day is not shown', () => {
  const view = weekView(week(), 'lift');
  expect([view.fromMin, view.toMin, view.days.length]).toEqual([480, 1050, 5]);
  expect(told(view)).toEqual([
    ['2026-12-02', 'Lift 1', 'Ostrand Longshore, PILOT 2', 990, 1050, 0, 1],
    ['2026-12-03', 'Lift 1', 'Ostrand Longshore, PILOT 2', 480, 540, 0, 1],
  ]);
});

test('by person each has what they are down for; what nobody is, and who left, have a column of their own', () => {
  const both = car({ booked: [{ ...BOOKING, at: '08:00', people: ['Rieke', 'Aske'] }] });
  const nobodys = car({ jobId: 'two', title: 'Tern', booked: [{ ...BOOKING, key: 'k2', at: '09:00', people: [] }] });
  expect(told(weekView(week({ cars: [both, nobodys] }), 'person')).map(([, name, title]) => [name, title])).toEqual([
    ['Rieke', 'Ostrand Longshore, PILOT 2'],
    ['Aske', 'Ostrand Longshore, PILOT 2'],
    [null, 'Tern'],
  ]);
});

test('what is at once stands side by side; a Saturday with work, and hours beside the usual, are shown', () => {
  const saturday = { ...BOOKING, key: 'k2', day: '2026-12-05', at: '06:00' };
  const again = { ...BOOKING, key: 'k3', at: '17:00', minutes: 30 };
  const view = weekView(
    week({ cars: [car(), car({ jobId: 'two', title: 'Tern', booked: [saturday, again] })] }),
    'lift',
  );
  expect(view.fromMin).toBe(360);
  expect(view.days.map(({ day, isOpen }) => [day, isOpen]).at(-1)).toEqual(['2026-12-05', false]);
  expect(
    told(view)
      .filter(([day]) => day === '2026-12-02')
      .map(([, , , , , lane, lanes]) => [lane, lanes]),
  ).toEqual([
    [0, 2],
    [1, 2],
  ]);
});

test('a clash of a car is told at each of its times, one of a time there alone', () => {
  const ofCar = { kind: 'short', jobId: 'one', key: null, sentence: 'short' } as const;
  const ofTime = { kind: 'lift', jobId: 'one', key: 'k9', sentence: 'taken' } as const;
  const [block] = weekView(week({ clashes: [ofCar, ofTime] }), 'lift').days[2]?.columns[0]?.blocks ?? [];
  expect(block?.clashes).toEqual([ofCar]);
});

test.each([
  [null, 120],
  [{ aloneMin: 0, togetherMin: 0 }, 120],
  [{ aloneMin: 71.2, togetherMin: 60 }, 75],
  [{ aloneMin: 9000, togetherMin: 5000 }, 6000],
])('a new time of a car that needs %j is %d min long', (need, minutes) => {
  expect(usualMinutes({ need })).toBe(minutes);
});

describe('let go', () => {
  test.each([
    [487, '08:00'],
    [488, '08:15'],
    [-30, '00:00'],
    [1500, '23:45'],
  ])('at %d min it begins at %s', (fromMin, at) => {
    expect(droppedAt(fromMin)).toBe(at);
  });

  const to = { day: '2026-12-03', at: '09:00' };
  test('on another lift it stands there; at another person it is theirs, and who else works on it stays', () => {
    expect(movedTo(BOOKING, 'lift', { ...to, name: 'Lift 2', from: 'Lift 1' })).toEqual({
      ...BOOKING,
      ...to,
      lift: 'Lift 2',
    });
    const two = { ...BOOKING, people: ['Rieke', 'Okke'] };
    expect(movedTo(two, 'person', { ...to, name: 'Jory', from: 'Rieke' }).people).toEqual(['Okke', 'Jory']);
    expect(movedTo(two, 'person', { ...to, name: 'Okke', from: 'Rieke' }).people).toEqual(['Okke']);
    expect(movedTo(two, 'person', { ...to, name: 'Rieke', from: 'Rieke' }).people).toEqual(['Rieke', 'Okke']);
    expect(movedTo(BOOKING, 'person', { ...to, name: null, from: 'Rieke' }).people).toEqual([]);
  });
});
