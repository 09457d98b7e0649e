/** Time of work as somebody types it. */
import { fail, ok, type Result } from '@low-quarry/core/result';

const EXAMPLES = '90, 1 h 30, 1:30 or 1.5 h';

/** @returns whole minutes, at least 1; the failure says what was read and what would do */
export function readMinutes(text: string): Result<number, string> {
  const typed = text.trim().toLowerCase().replace(',', '.');
  const [, hours, more] = /^(\d+(?:\.\d+)?)\s*h(?:ours?)?\s*(?:(\d{1,2})\s*(?:m|min)?)?$/.exec(typed) ?? [];
  const [, clockHours, clockMinutes] = /^(\d{1,2}):([0-5]\d)$/.exec(typed) ?? [];
  const [, plain] = /^(\d+)\s*(?:m|min|minutes)?$/.exec(typed) ?? [];
  const minutes = plain
    ? Number(plain)
    : hours
      ? Number(hours) * 60 + Number(more ?? 0)
      : clockHours
        ? Number(clockHours) * 60 + Number(clockMinutes)
        : 0;
  const whole = Math.round(minutes);
  return whole > 0 ? ok(whole) : fail(`“${text.trim().slice(0, 20)}” was read; type a time such as ${EXAMPLES}.`);
}

/** "8" and "8.30" are times of the day too. @returns "08:30" */
export function readClock(text: string): Result<string, string> {
  const [, hours = '', minutes = '00'] = /^(\d{1,2})(?:[:.h ]?([0-5]\d))?$/.exec(text.trim()) ?? [];
  if (hours === '' || Number(hours) > 23)
    return fail(`“${text.trim().slice(0, 20)}” was read; type a time of the day such as 8:30.`);
  return ok(`${hours.padStart(2, '0')}:${minutes}`);
}
