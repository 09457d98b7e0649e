/** When a car is due, in words: "due today", "due in 3 days", "2 days late". Days are counted by the calendar. */
import { capital } from '@low-quarry/core/firstLetter';
import { JOB_END_WORDS, type JobEnded, WEEKDAYS } from '@low-quarry/core/model';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { shopDay } from '../../text/shopDays';

export function dueWords(dueOn: string | null, now: Date): string {
  if (dueOn === null) return 'no day set';
  const days = differenceInCalendarDays(dayOf(dueOn), now);
  if (days === 0) return 'due today';
  if (days === 1) return 'due tomorrow';
  if (days > 1) return `due in ${days} days`;
  return days === -1 ? '1 day late' : `${-days} days late`;
}

/** How and when a job was over, such as "Handed over on Wed 4.3.2026". */
export function endedWords({ as, at }: JobEnded): string {
  return `${capital(JOB_END_WORDS[as])} on ${shopDay(at)}`;
}

/** Whether the shop is closed on the day a car is due. */
export function isDueWhenClosed(dueOn: string | null, openOn: readonly string[]): boolean {
  if (dueOn === null) return false;
  const day = WEEKDAYS[(dayOf(dueOn).getDay() + 6) % 7];
  return day !== undefined && !openOn.includes(day);
}

/** Its first moment by the device's clock. */
function dayOf(isoDate: string): Date {
  return new Date(`${isoDate}T00:00:00`);
}
