/**
 * The bay's times as iCalendar (RFC 5545). Times are written as those of the clock on the shop's wall ("floating", 3.3.5 form 1): they need no time
 * zone, and say the same on every device. No customer's name goes out: who reads along need not know it.
 */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { listed } from '@low-quarry/core/listed';
import { clockOf, hoursWords, jobTitle, type ShopSettings } from '@low-quarry/core/model';
import { type Span, spansOf } from '@low-quarry/core/week';
import ical, { ICalCalendarMethod } from 'ical-generator';

export const CALENDAR_TYPE = 'text/calendar; charset=utf-8';

/**
 * One event a day of each booking.
 *
 * @param of a person, for what they are down for alone; null for all
 * @param days of which days; null for all
 */
export function weekCalendar(
  jobs: readonly Job[],
  { name, workingHours }: Pick<ShopSettings, 'name' | 'workingHours'>,
  now: Date,
  { of = null, days = null }: { readonly of?: string | null; readonly days?: readonly string[] | null } = {},
): string {
  const calendar = ical({
    name: of === null ? `${name}: bay` : `${name}: bay, ${of}`,
    prodId: { company: 'Low Quarry', product: 'Bay', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const job of jobs)
    for (const booking of job.booked) {
      if (of !== null && !booking.people.includes(of)) continue;
      const spans = spansOf(booking, workingHours);
      for (const [at, span] of spans.entries()) {
        if (days && !days.includes(span.day)) continue;
        const part = spans.length > 1 ? `, day ${at + 1} of ${spans.length}` : '';
        calendar.createEvent({
          id: `${booking.key}-${at}@low-quarry`,
          floating: true,
          stamp: now,
          start: moment(span, span.fromMin),
          end: moment(span, span.toMin),
          sequence: job.version,
          summary: `${jobTitle(job)}${part}`,
          location: booking.lift,
          description: [
            `Job ${job.number}`,
            `${hoursWords(booking.minutes)} of work`,
            booking.people.length === 0 ? 'Nobody is down for it yet' : listed(booking.people),
            ...(job.dueOn ? [`Due on ${job.dueOn}`] : []),
          ].join('\n'),
        });
      }
    }
  return calendar.toString();
}

/** A floating time is written as the clock of UTC has it, without its letter. */
function moment({ day }: Span, minutes: number): Date {
  return new Date(`${day}T${clockOf(minutes)}:00Z`);
}
