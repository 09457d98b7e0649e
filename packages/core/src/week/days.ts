/** Days of the shop's calendar, as text such as "2026-12-04", and which parts of them a booking takes. */
import { dayNumber, dayOfNumber } from '../math';
import { type Booking, minutesOf, type ShopSettings, WEEKDAYS, type Weekday } from '../model';

export type Hours = ShopSettings['workingHours'];

/** Minutes of one day, from midnight. */
export type Span = { readonly day: string; readonly fromMin: number; readonly toMin: number };

const DAY_MIN = 24 * 60;
/** 1 January 1970 was a Thursday. */
const FIRST_WEEKDAY = 3;

/** @param days may be negative */
export function dayAfter(day: string, days: number): string {
  return dayOfNumber(dayNumber(day) + days);
}

export function weekdayOf(day: string): Weekday {
  return WEEKDAYS[(((dayNumber(day) + FIRST_WEEKDAY) % 7) + 7) % 7] as Weekday;
}

/** The seven days of its week, Monday first (ISO 8601). */
export function weekOf(day: string): readonly string[] {
  const monday = dayAfter(day, -WEEKDAYS.indexOf(weekdayOf(day)));
  return WEEKDAYS.map((_, at) => dayAfter(monday, at));
}

/** A shop that is open on no day is taken to be on each: its hours say nothing of days. */
export function isOpenOn(day: string, { days }: Pick<Hours, 'days'>): boolean {
  return days.length === 0 || days.includes(weekdayOf(day));
}

/** The day on which something is here that takes so many working days. */
export function arrivalDay(today: string, workingDays: number, hours: Pick<Hours, 'days'>): string {
  let day = today;
  for (let left = workingDays; left > 0; ) {
    day = dayAfter(day, 1);
    if (isOpenOn(day, hours)) left--;
  }
  return day;
}

/**
 * When the work of a booking is done. It begins when it was booked, also where the shop is closed then; where the shop is open, it ends with the
 * day, and goes on in the hours of the next one.
 */
export function spansOf({ day, at, minutes }: Pick<Booking, 'day' | 'at' | 'minutes'>, hours: Hours): readonly Span[] {
  const [opens, closes] = [minutesOf(hours.from), minutesOf(hours.to)];
  const spans: Span[] = [];
  let left = minutes;
  for (let on = day; left > 0; on = dayAfter(on, 1)) {
    const isFirst = on === day;
    if (!isFirst && !isOpenOn(on, hours)) continue;
    const fromMin = isFirst ? minutesOf(at) : opens;
    const endsMin = isOpenOn(on, hours) && fromMin < closes ? closes : DAY_MIN;
    const toMin = Math.min(endsMin, fromMin + left);
    spans.push({ day: on, fromMin, toMin });
    left -= toMin - fromMin;
  }
  return spans;
}

export function overlap(a: Span, b: Span): boolean {
  return a.day === b.day && a.fromMin < b.toMin && b.fromMin < a.toMin;
}
