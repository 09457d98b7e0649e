/** Where a car goes in soonest. */
import { BOOKING_STEP_MIN, type Booking, clockOf, minutesOf } from '../model';
import type { WeekRules } from './clashes';
import { dayAfter, isOpenOn, overlap, type Span, spansOf } from './days';

/** So far is looked ahead, days. */
const MOST_DAYS = 120;

/**
 * The first moment from which a lift is free for so long, within the working hours; what a day does not hold goes on the next one.
 *
 * @param taken all that is booked
 * @param from no sooner, such as the day on which the last part comes; a moment of it, min from midnight
 * @returns null where no lift is free within four months
 */
export function firstFree(
  taken: readonly Booking[],
  { hours, lifts }: Pick<WeekRules, 'hours' | 'lifts'>,
  from: { readonly day: string; readonly fromMin: number },
  minutes: number,
): Pick<Booking, 'lift' | 'day' | 'at'> | null {
  const [opens, closes] = [minutesOf(hours.from), minutesOf(hours.to)];
  const keyOf = (lift: string, { day }: Span) => `${day} ${lift}`;
  const busy = new Map<string, Span[]>();
  for (const booking of taken)
    for (const span of spansOf(booking, hours)) {
      const key = keyOf(booking.lift, span);
      busy.set(key, [...(busy.get(key) ?? []), span]);
    }
  const isFree = (lift: string, day: string, at: string) =>
    spansOf({ day, at, minutes }, hours).every(
      (span) => !busy.get(keyOf(lift, span))?.some((other) => overlap(span, other)),
    );
  for (let days = 0; days < MOST_DAYS; days++) {
    const day = dayAfter(from.day, days);
    if (!isOpenOn(day, hours)) continue;
    const soonest = Math.max(opens, days === 0 ? from.fromMin : 0);
    const first = Math.ceil(soonest / BOOKING_STEP_MIN) * BOOKING_STEP_MIN;
    for (let at = first; at < closes; at += BOOKING_STEP_MIN) {
      const lift = lifts.find((each) => isFree(each, day, clockOf(at)));
      if (lift !== undefined) return { lift, day, at: clockOf(at) };
    }
  }
  return null;
}
