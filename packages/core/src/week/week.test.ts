import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Booking, clockOf, minutesOf, WEEKDAYS } from '../model';
import { fuzzed } from '../testing/fuzzed';
import { type CarOfWeek, clashesOf, type WeekRules } from './clashes';
import { arrivalDay, dayAfter, isOpenOn, overlap, spansOf, weekdayOf, weekOf } from './days';
import { firstFree } from './firstFree';

const HOURS = { from: '08:00', to: '17:30', days: WEEKDAYS.slice(0, 5) };
const RULES: WeekRules = { hours: HOURS, lifts: ['Lift 1', 'Lift 2'], people: ['Rieke', 'Jory'], today: '2026-12-01' };

let keys = 0;
const booking = (changes: Partial<Booking> = {}): Booking => ({
  ...{ key: `k${keys++}`, lift: 'Lift 1', day: '2026-12-02', at: '08:00', minutes: 120, people: ['Rieke'] },
  ...changes,
});
const car = (changes: Partial<CarOfWeek> = {}): CarOfWeek => ({
  ...{
    jobId: 'one',
    title: 'Ostrand Longshore, PILOT 2',
    dueOn: null,
    booked: [],
    need: null,
    waits: null,
    sharedTools: [],
  },
  ...changes,
});
const said = (...cars: readonly CarOfWeek[]) => clashesOf(cars, RULES).map(({ kind, sentence }) => [kind, sentence]);

/** Days by hand: 1 December 2026 is a Tuesday. */
describe('days', () => {
  test('have their weekday, their week and their neighbours, over the end of a year and of February', () => {
    expect(weekdayOf('2026-12-01')).toBe('Tue');
    expect(weekOf('2026-12-06')).toEqual([
      ...['2026-11-30', '2026-12-01', '2026-12-02', '2026-12-03', '2026-12-04', '2026-12-05', '2026-12-06'],
    ]);
    expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01');
    expect(dayAfter('2028-03-01', -1)).toBe('2028-02-29');
  });

  test('what takes three working days from a Thursday is here on Tuesday', () => {
    expect(arrivalDay('2026-12-03', 3, HOURS)).toBe('2026-12-08');
    expect(arrivalDay('2026-12-05', 0, HOURS)).toBe('2026-12-05');
    expect(arrivalDay('2026-12-05', 1, { days: [] })).toBe('2026-12-06');
  });
});

describe('spans', () => {
  test('work that the day does not hold goes on when the shop opens next', () => {
    expect(spansOf(booking({ day: '2026-12-04', at: '15:00', minutes: 240 }), HOURS)).toEqual([
      { day: '2026-12-04', fromMin: 900, toMin: 1050 },
      { day: '2026-12-07', fromMin: 480, toMin: 570 },
    ]);
  });

  test('work on a closed day, or after hours, is taken as it was booked', () => {
    expect(spansOf(booking({ day: '2026-12-05', at: '10:00' }), HOURS)).toEqual([
      { day: '2026-12-05', fromMin: 600, toMin: 720 },
    ]);
    expect(spansOf(booking({ at: '23:00' }), HOURS)).toEqual([
      { day: '2026-12-02', fromMin: 1380, toMin: 1440 },
      { day: '2026-12-03', fromMin: 480, toMin: 540 },
    ]);
  });

  const bookings = fc.record({
    day: fc.integer({ min: 0, max: 40 }).map((days) => dayAfter('2026-12-01', days)),
    at: fc.integer({ min: 0, max: 95 }).map((quarter) => clockOf(quarter * 15)),
    minutes: fc.integer({ min: 15, max: 6000 }),
  });

  test('hold all of the work, one after the other, and after the first day only when the shop is open', () => {
    fc.assert(
      fc.property(bookings, (each) => {
        const spans = spansOf(each, HOURS);
        expect(spans.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0)).toBe(each.minutes);
        expect(spans[0]).toMatchObject({ day: each.day, fromMin: minutesOf(each.at) });
        spans.slice(1).forEach(({ day, fromMin, toMin }, at) => {
          expect(day > (spans[at]?.day ?? '')).toBe(true);
          expect(isOpenOn(day, HOURS)).toBe(true);
          expect(fromMin).toBe(480);
          expect(toMin).toBeLessThanOrEqual(1050);
        });
      }),
      fuzzed(60),
    );
  });

  test('the first free place is free, within the hours, and nothing sooner on a quarter of an hour is', () => {
    const taken = fc.array(
      fc.record({
        lift: fc.constantFrom('Lift 1', 'Lift 2'),
        day: fc.integer({ min: 0, max: 3 }).map((days) => dayAfter('2026-12-01', days)),
        at: fc.integer({ min: 32, max: 68 }).map((quarter) => clockOf(quarter * 15)),
        minutes: fc.integer({ min: 15, max: 700 }),
      }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(taken, fc.integer({ min: 15, max: 900 }), (some, minutes) => {
        const all = some.map((each) => booking(each));
        const found = firstFree(all, RULES, { day: RULES.today, fromMin: 600 }, minutes);
        if (found === null) throw new Error('expected a place within four months');
        const isFree = (lift: string, day: string, at: string) =>
          spansOf({ day, at, minutes }, HOURS).every((span) =>
            all.every((other) => other.lift !== lift || spansOf(other, HOURS).every((each) => !overlap(span, each))),
          );
        expect(isFree(found.lift, found.day, found.at)).toBe(true);
        for (let day = RULES.today; day <= found.day; day = dayAfter(day, 1))
          for (let at = day === RULES.today ? 600 : 480; at < 1050; at += 15)
            if (isOpenOn(day, HOURS) && (day < found.day || at < minutesOf(found.at)))
              for (const lift of RULES.lifts) expect([day, clockOf(at), isFree(lift, day, clockOf(at))][2]).toBe(false);
      }),
      fuzzed(25),
    );
  });

  test('where every lift is taken for months, no place is named', () => {
    const all = RULES.lifts.flatMap((lift) =>
      Array.from({ length: 20 }, (_, at) => booking({ lift, day: dayAfter('2026-12-01', at * 7), minutes: 6000 })),
    );
    expect(firstFree(all, RULES, { day: RULES.today, fromMin: 480 }, 60)).toBeNull();
  });
});

describe('clashes', () => {
  test('two cars on one lift, one of which goes on the next morning, and one person at both', () => {
    const first = car({ booked: [booking({ at: '16:30', minutes: 120 })] });
    const second = car({
      ...{ jobId: 'two', title: 'Corran Tern, HDS 3' },
      booked: [booking({ day: '2026-12-03', at: '08:30', people: ['Rieke', 'Jory'] })],
    });
    expect(said(first, second)).toEqual([
      ['lift', 'Lift 1 is taken by Corran Tern, HDS 3 (Thu 08:30).'],
      ['person', 'Rieke is at Corran Tern, HDS 3 (Thu 08:30) then.'],
      ['lift', 'Lift 1 is taken by Ostrand Longshore, PILOT 2 (Wed 16:30).'],
      ['person', 'Rieke is at Ostrand Longshore, PILOT 2 (Wed 16:30) then.'],
    ]);
  });

  test('one after the other, and side by side with different people, clash in nothing', () => {
    expect(
      said(
        car({ booked: [booking(), booking({ at: '10:00' })] }),
        car({ jobId: 'two', booked: [booking({ lift: 'Lift 2', people: ['Jory'] })] }),
      ),
    ).toEqual([]);
  });

  test('a tool of which the shop has one is wanted by two cars at once: said of both, once; at other times, or of other tools, not', () => {
    const iron = ['A soldering iron', 'Hot air'];
    const other = (changes: Partial<CarOfWeek>, at: Partial<Booking> = {}) =>
      car({
        ...{ jobId: 'two', title: 'Sellwick Promenade, PROM 98', sharedTools: ['A soldering iron'] },
        booked: [booking({ key: 'b', lift: 'Lift 2', people: ['Jory'], ...at })],
        ...changes,
      });
    const one = car({ booked: [booking()], sharedTools: iron });
    expect(said(one, other({}))).toEqual([
      [
        'tool',
        'Sellwick Promenade, PROM 98 takes up a soldering iron too at that time, of which the shop has one: by turns, or one more.',
      ],
      ['tool', expect.stringContaining('Ostrand Longshore, PILOT 2 takes up a soldering iron too')],
    ]);
    expect(said(one, other({ sharedTools: ['A torque wrench'] }))).toEqual([]);
    expect(said(one, other({}, { day: '2026-12-03' }))).toEqual([]);
  });

  test('hours, the promised day, parts, nobody, and what the shop has no more', () => {
    expect(said(car({ booked: [booking({ day: '2026-12-05' })] }))).toEqual([['hours', 'The shop is closed on Sat.']]);
    expect(said(car({ booked: [booking({ at: '06:00' })] }))).toEqual([
      ['hours', '06:00 is outside the working hours, 08:00 to 17:30.'],
    ]);
    expect(said(car({ dueOn: '2026-12-02', booked: [booking({ at: '17:00' })] }))).toEqual([
      ['late', 'It is due on Wed 2026-12-02, and done on Thu 2026-12-03, 09:30.'],
    ]);
    const ring = { what: 'The Skerrivar Tide', day: '2026-12-03' };
    expect(said(car({ booked: [booking()], waits: ring }))).toEqual([
      ['parts', 'The Skerrivar Tide comes on Thu 2026-12-03 if it is ordered today: after the work begins.'],
    ]);
    expect(said(car({ booked: [booking({ day: '2026-12-03' })], waits: ring }))).toEqual([]);
    expect(said(car({ booked: [booking()], waits: { ...ring, day: null } }))).toEqual([
      ['parts', 'Nobody knows when The Skerrivar Tide comes.'],
    ]);
    expect(said(car({ booked: [booking({ people: [], lift: 'Pit' })] }))).toEqual([
      ['nobody', 'Nobody is down for it.'],
      ['unknown', 'The shop has no Pit any more.'],
    ]);
    expect(said(car({ booked: [booking({ people: ['Rieke', 'Aske'] })] }))).toEqual([
      ['unknown', 'Aske does not work here any more.'],
    ]);
  });

  test('too little time for what is left of the plan, by one or by two', () => {
    const need = { aloneMin: 220, togetherMin: 120 };
    expect(said(car({ need, booked: [booking()] }))).toEqual([
      ['short', 'What is left of its plan takes 3 h 40 min for one person, and 2 h are booked.'],
    ]);
    expect(said(car({ need, booked: [booking({ people: ['Rieke', 'Jory'] })] }))).toEqual([]);
    expect(said(car({ need, booked: [booking(), booking({ day: '2026-12-03', minutes: 100 })] }))).toEqual([]);
  });

  test('a car that is due within a week and not booked, unless all is done', () => {
    const soon = car({ dueOn: '2026-12-04' });
    expect(said(soon)).toEqual([['notBooked', 'It is due on Fri 2026-12-04, and no time is booked for it.']]);
    expect(said(car({ dueOn: '2026-11-27' }))).toEqual([
      ['notBooked', 'It was due on Fri 2026-11-27, and no time is booked for it.'],
    ]);
    expect(said({ ...soon, need: { aloneMin: 0, togetherMin: 0 } })).toEqual([]);
    expect(said(car({ dueOn: '2026-12-09' }))).toEqual([]);
  });

  test('what is over clashes with nothing, and counts for no time', () => {
    const over = booking({ day: '2026-11-30', people: [], minutes: 500 });
    expect(said(car({ booked: [over, { ...over, key: 'again' }] }))).toEqual([]);
    expect(said(car({ booked: [over, booking()], need: { aloneMin: 300, togetherMin: 300 } }))).toEqual([
      ['short', 'What is left of its plan takes 5 h for one person, and 2 h are booked.'],
    ]);
  });
});
