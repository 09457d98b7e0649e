/** When a car stands in the bay: on which lift, from when, for how much work, and who works on it. */
import { z } from 'zod';
import { listed } from '../listed';
import { clockSchema, hoursWords } from './clock';

/** In steps of a quarter of an hour: nobody is held to less. */
export const BOOKING_STEP_MIN = 15;
export const LONGEST_BOOKING_MIN = 100 * 60;
export const MOST_BOOKINGS = 20;
export const MOST_AT_ONE_CAR = 6;

export const liftNameSchema = z.string().trim().min(1, 'Choose a lift.').max(40, 'Type at most 40 characters.');

export const bookingSchema = z.strictObject({
  /** The same when it is moved. */
  key: z.string().min(1).max(40),
  lift: liftNameSchema,
  day: z.iso
    .date('Type a day such as 2026-11-27.')
    .refine((day) => day >= '2000' && day < '2200', 'Type a day from 2000 to 2199.'),
  at: clockSchema,
  /** Of work: what a day does not hold goes on when the shop opens next. */
  minutes: z
    .int('Type whole minutes.')
    .min(BOOKING_STEP_MIN, `Book at least ${BOOKING_STEP_MIN} min.`)
    .max(LONGEST_BOOKING_MIN, `Book at most ${LONGEST_BOOKING_MIN / 60} h at once.`),
  /** By name; nobody yet where it is empty. */
  people: z.array(z.string().min(1).max(80)).max(MOST_AT_ONE_CAR, `At most ${MOST_AT_ONE_CAR} people work at one car.`),
});
export type Booking = z.infer<typeof bookingSchema>;

export const bookingsSchema = z
  .array(bookingSchema)
  .max(MOST_BOOKINGS, `Keep to ${MOST_BOOKINGS} times in the bay.`)
  .refine((bookings) => new Set(bookings.map(({ key }) => key)).size === bookings.length, 'Name each time once.');
export type Bookings = z.infer<typeof bookingsSchema>;

export const NOT_BOOKED: Bookings = [];

/** "2026-12-04 08:00, Lift 1, 3 h 40 min, Rieke and Jory". */
export function bookingWords({ day, at, lift, minutes, people }: Booking): string {
  return `${day} ${at}, ${lift}, ${hoursWords(minutes)}, ${people.length === 0 ? 'nobody yet' : listed(people)}`;
}

export function bookingsWords(bookings: readonly Booking[]): string {
  return bookings.map(bookingWords).join('; ') || 'not booked';
}
