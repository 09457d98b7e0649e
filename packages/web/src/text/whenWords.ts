/** A moment in the words of the shop: the clock for today and yesterday, the day before that. */
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { shopDay } from './shopDays';

export function whenWords(at: string, now: Date): string {
  const moment = new Date(at);
  const clock = [moment.getHours(), moment.getMinutes()].map((each) => String(each).padStart(2, '0')).join(':');
  const days = differenceInCalendarDays(now, moment);
  if (days === 0) return `today at ${clock}`;
  if (days === 1) return `yesterday at ${clock}`;
  return `on ${shopDay(at)} at ${clock}`;
}
