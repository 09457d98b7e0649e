/** One time in the bay that is booked, moved or taken off, on top of what the shop has by then. */
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { isSame } from '@low-quarry/core/records';

export type BookingChange = {
  readonly car: WeekCar;
  /** As it was when this was decided; null for a new one. */
  readonly before: Booking | null;
  /** Null where it is taken off. */
  readonly after: Booking | null;
  /** What is said once it is done. */
  readonly said: string;
};

type Change = Pick<BookingChange, 'before' | 'after'>;

/**
 * @param booked as the shop has them: other times of the car stay as they are
 * @throws Error where somebody else changed the same time meanwhile
 */
export function bookedAfter(booked: readonly Booking[], { before, after }: Change): Booking[] {
  const key = (before ?? after)?.key;
  const theirs = booked.find((each) => each.key === key) ?? null;
  if (!isSame(theirs, before)) throw new Error('Somebody else changed this time meanwhile: it is shown as it is now.');
  const others = booked.filter((each) => each.key !== key);
  return after ? [...others, after] : others;
}

/** The week as it will be, without what the shop alone can say: what clashes. */
export function withChange(week: Week, { car, ...change }: BookingChange): Week {
  const booked = bookedAfter(car.booked, change);
  const changed = { ...car, booked };
  const isThere = week.cars.some(({ jobId }) => jobId === car.jobId);
  const cars = isThere ? week.cars.map((each) => (each.jobId === car.jobId ? changed : each)) : [...week.cars, changed];
  return { ...week, cars, waiting: week.waiting.filter(({ jobId }) => jobId !== car.jobId || booked.length === 0) };
}
