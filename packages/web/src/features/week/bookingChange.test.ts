import { expect, test } from '@jest/globals';
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { bookedAfter, withChange } from './bookingChange';

const booking = (changes: Partial<Booking> = {}): Booking => ({
  ...{ key: 'k1', lift: 'Lift 1', day: '2026-12-02', at: '08:00', minutes: 90, people: ['Rieke'] },
  ...changes,
});
const MINE = booking();
const OTHER = booking({ key: 'k2', day: '2026-12-03' });
const MOVED = booking({ at: '10:00' });

test('one is booked, moved and taken off; other times of the car stay, also those that came meanwhile', () => {
  expect(bookedAfter([], { before: null, after: MINE })).toEqual([MINE]);
  expect(bookedAfter([MINE, OTHER], { before: MINE, after: MOVED })).toEqual([OTHER, MOVED]);
  expect(bookedAfter([MINE, OTHER], { before: MINE, after: null })).toEqual([OTHER]);
});

test('what somebody else moved or took off meanwhile is changed by nobody unseen', () => {
  const theirs = booking({ lift: 'Lift 2' });
  for (const booked of [[theirs], []])
    for (const after of [MOVED, null])
      expect(() => bookedAfter(booked, { before: MINE, after })).toThrow('Somebody else changed this time meanwhile');
  // Sent twice, a new one is there already.
  expect(() => bookedAfter([MINE], { before: null, after: MOVED })).toThrow('meanwhile');
});

test('a car that had no time comes out of those that wait, and goes back among them with its last one', () => {
  const car: WeekCar = {
    ...{ jobId: 'one', number: 1, version: 1, title: 'Tern, HDS 3', plate: 'HDS 3', vehicle: 'Tern', dueOn: null },
    ...{ booked: [], need: null, steps: { done: 0, all: 0 }, waits: null, sharedTools: [] },
  };
  const week: Week = {
    ...{
      today: '2026-12-01',
      days: ['2026-12-02'],
      hours: { from: '08:00', to: '17:30', days: [] },
      lifts: ['Lift 1'],
    },
    ...{ people: [], cars: [], waiting: [car], waitingTotal: 1, clashes: [], taken: [] },
  };
  const booked = withChange(week, { car, before: null, after: MINE, said: '' });
  expect([booked.cars.map((each) => each.booked), booked.waiting]).toEqual([[[MINE]], []]);
  const [now] = booked.cars as [WeekCar];
  expect(withChange(booked, { car: now, before: MINE, after: MOVED, said: '' }).cars[0]?.booked).toEqual([MOVED]);
});
