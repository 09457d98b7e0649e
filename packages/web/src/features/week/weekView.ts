/** The week as it is drawn: columns of lifts or of people by days, and in each what stands there when. */
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import { BOOKING_STEP_MIN, type Booking, clockOf, LONGEST_BOOKING_MIN, minutesOf } from '@low-quarry/core/model';
import { isOpenOn, spansOf } from '@low-quarry/core/week';

export const WEEK_WAYS = ['lift', 'person'] as const;
export type WeekWay = (typeof WEEK_WAYS)[number];

/** What is open in the sheet: a time of a car, or a new one. */
export type AtHand = { readonly car: WeekCar; readonly booking: Booking | null };

export type Block = {
  readonly car: WeekCar;
  readonly booking: Booking;
  readonly fromMin: number;
  readonly toMin: number;
  /** Of its days, counted from 0; a booking is moved by its first. */
  readonly part: number;
  readonly parts: number;
  /** Side by side where several are at once. */
  readonly lane: number;
  readonly lanes: number;
  readonly clashes: Week['clashes'];
};

export type Column = {
  readonly id: string;
  readonly day: string;
  /** A lift, or a person; null for what nobody is down for. */
  readonly name: string | null;
  readonly blocks: readonly Block[];
};

export type WeekView = {
  readonly fromMin: number;
  readonly toMin: number;
  readonly days: readonly { readonly day: string; readonly isOpen: boolean; readonly columns: readonly Column[] }[];
};

/** A closed day is shown where something is booked on it. */
export function weekView(week: Week, way: WeekWay): WeekView {
  const parts = week.cars.flatMap((car) => car.booked.flatMap((booking) => partsOf(car, booking, week)));
  const shown = parts.filter(({ day }) => week.days.includes(day));
  const names = way === 'lift' ? week.lifts : [...week.people];
  const namesOf = ({ booking }: Part): readonly (string | null)[] =>
    way === 'lift' ? [booking.lift] : booking.people.length > 0 ? booking.people : [null];
  // Whoever, or whatever, is there no more has a column as long as something stands in it.
  const gone = shown.flatMap(namesOf).filter((name) => name !== null && !names.includes(name));
  const nobody = shown.some((part) => namesOf(part).includes(null)) ? [null] : [];
  const all = [...names, ...new Set(gone), ...nobody];
  const days = week.days
    .map((day) => ({ day, isOpen: isOpenOn(day, week.hours) }))
    .filter(({ day, isOpen }) => isOpen || shown.some((part) => part.day === day))
    .map(({ day, isOpen }) => ({
      ...{ day, isOpen },
      columns: all.map((name): Column => {
        const own = shown.filter((part) => part.day === day && namesOf(part).includes(name));
        return { id: columnId(day, name), day, name, blocks: inLanes(own) };
      }),
    }));
  return {
    fromMin: Math.min(minutesOf(week.hours.from), ...shown.map(({ fromMin }) => fromMin)),
    toMin: Math.max(minutesOf(week.hours.to), ...shown.map(({ toMin }) => toMin)),
    days,
  };
}

function columnId(day: string, name: string | null): string {
  return `${day} ${name ?? ''}`;
}

type Part = Omit<Block, 'lane' | 'lanes'> & { readonly day: string };

function partsOf(car: WeekCar, booking: Booking, { hours, clashes }: Week): readonly Part[] {
  const spans = spansOf(booking, hours);
  const own = clashes.filter(({ jobId, key }) => jobId === car.jobId && (key === null || key === booking.key));
  return spans.map((span, part) => ({ ...span, car, booking, part, parts: spans.length, clashes: own }));
}

/** As many lanes as are needed at once, each block in the first that is free. */
function inLanes(parts: readonly Part[]): readonly Block[] {
  const ends: number[] = [];
  const placed = [...parts]
    .sort((a, b) => a.fromMin - b.fromMin)
    .map((part) => {
      const free = ends.findIndex((end) => end <= part.fromMin);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = part.toMin;
      return { ...part, lane };
    });
  return placed.map(({ day: _, ...block }) => ({ ...block, lanes: ends.length }));
}

/** Of a car of which nothing is planned, min. */
const USUAL_MIN = 120;

/** How long a new time is: what is left of the car's plan for one person, in whole steps. */
export function usualMinutes({ need }: Pick<WeekCar, 'need'>): number {
  const steps = Math.ceil((need?.aloneMin || USUAL_MIN) / BOOKING_STEP_MIN);
  return Math.min(steps * BOOKING_STEP_MIN, LONGEST_BOOKING_MIN);
}

/** What is booked where it was let go: on a quarter of an hour, within the day. */
export function droppedAt(fromMin: number): string {
  const step = Math.round(fromMin / BOOKING_STEP_MIN) * BOOKING_STEP_MIN;
  return clockOf(Math.min(Math.max(0, step), 24 * 60 - BOOKING_STEP_MIN));
}

/** @param name of the column that it was let go in, and where it came from; null for nobody, or nowhere */
export function movedTo(
  booking: Booking,
  way: WeekWay,
  {
    day,
    at,
    name,
    from,
  }: { readonly day: string; readonly at: string; readonly name: string | null; readonly from: string | null },
): Booking {
  const moved = { ...booking, day, at };
  if (way === 'lift') return name === null ? moved : { ...moved, lift: name };
  if (name === from) return moved;
  const others = booking.people.filter((person) => person !== from && person !== name);
  return { ...moved, people: name === null ? others : [...others, name] };
}
