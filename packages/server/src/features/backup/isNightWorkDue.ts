/**
 * Whether the shop's night has come since the last night's work. A server that was off at night makes up for it as soon as
 * the shop is closed, or at once when the last is more than a day old.
 */
import type { ShopSettings } from '@low-quarry/core/model';

const HOUR_MS = 3_600_000;
/** Some time after closing: people stay late. */
const AFTER_CLOSING_MS = 2 * HOUR_MS;
const LATE_MS = 26 * HOUR_MS;

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
  const closing = new Date(now.getFullYear(), now.getMonth(), now.getDate(), hours, minutes);
  const night = new Date(closing.getTime() + AFTER_CLOSING_MS);
  return night.getTime() <= now.getTime() ? night : new Date(night.getTime() - 24 * HOUR_MS);
}
