/**
 * Whether the shop's night has come since the last night's work. A server that was off at night makes up for it as soon as
 * the shop is closed, or at once when the last is more than a day old.
 */
import type { ShopSettings } from '@low-quarry/core/model';
import { addHours, isAfter, set, subDays } from 'date-fns';

/** Some time after closing: people stay late. */
const AFTER_CLOSING_HOURS = 2;
const LATE_MS = 26 * 3_600_000;

/** @param last when the last one was made; null when there is none */
export function isNightWorkDue(
  now: Date,
  last: Date | null,
  { to }: Pick<ShopSettings['workingHours'], 'to'>,
): boolean {
  if (last === null || now.getTime() - last.getTime() > LATE_MS) return true;
  return last.getTime() < nightBegan(now, to).getTime();
}

/** The last moment, by the shop's clock, at which a night began. */
function nightBegan(now: Date, to: string): Date {
  const [hours = 0, minutes = 0] = to.split(':').map(Number);
  const night = (day: Date) => addHours(set(day, { hours, minutes, seconds: 0, milliseconds: 0 }), AFTER_CLOSING_HOURS);
  // By the calendar: a day of 23 or 25 hours is one too.
  return isAfter(night(now), now) ? night(subDays(now, 1)) : night(now);
}
