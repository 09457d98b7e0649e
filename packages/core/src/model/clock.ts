/** Days of the week and times of the day, as a shop writes them. */
import { z } from 'zod';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'type a time such as 08:00');

/** Minutes from midnight; 510 of "08:30". */
export function minutesOf(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours * 60 + minutes;
}

/** "08:30" of 510; the end of a day is "24:00". */
export function clockOf(minutes: number): string {
  const whole = Math.round(minutes);
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`;
}

/** "3 h 40 min", "45 min", "2 h". */
export function hoursWords(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
