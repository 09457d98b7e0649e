/** The week of the bay: which car stands on which lift when, what does not go together, and the same as a calendar. */
import { z } from 'zod';
import { bookingsSchema, settingsSchema } from '../model';
import { CLASH_KINDS } from '../week';
import { contract, idSchema, nothing } from './contract';

/** So many cars that are not booked come at once, the soonest due first. */
export const MOST_WAITING = 30;

const weekCarSchema = z.object({
  jobId: idSchema,
  number: z.int(),
  version: z.int(),
  title: z.string(),
  /** The same in two: its registration, or the job's number, and the vehicle. */
  plate: z.string(),
  vehicle: z.string(),
  dueOn: z.iso.date().nullable(),
  booked: bookingsSchema,
  /** What is left of its plan, min; null where nothing is planned yet. */
  need: z.object({ aloneMin: z.number(), togetherMin: z.number() }).nullable(),
  /** Steps of its plan, and how many of them are done or left out. */
  steps: z.object({ done: z.int(), all: z.int() }),
  /** The part that is here last, if it is ordered today; null where all of them lie here, or none is needed. */
  waits: z.object({ what: z.string(), day: z.iso.date().nullable() }).nullable(),
  sharedTools: z.array(z.string()),
});
export type WeekCar = z.infer<typeof weekCarSchema>;

export const getWeek = contract({
  method: 'get',
  path: '/api/week',
  permission: 'read',
  params: z.object({
    /** Any day of it; the week that is where none is named. */
    day: z.iso
      .date('Type a day such as 2026-11-27.')
      .refine((day) => day >= '2000' && day < '2200', 'Type a day from 2000 to 2199.')
      .nullable()
      .default(null),
  }),
  body: nothing,
  answer: z.object({
    today: z.iso.date(),
    /** Seven, Monday first. */
    days: z.array(z.iso.date()),
    hours: settingsSchema.shape.workingHours,
    lifts: z.array(z.string()),
    /** Who works here, by name. */
    people: z.array(z.string()),
    /** With a time in this week. */
    cars: z.array(weekCarSchema),
    /** Open jobs without a time ahead. */
    waiting: z.array(weekCarSchema),
    waitingTotal: z.int(),
    /** Of the cars that are here. */
    clashes: z.array(
      z.object({ kind: z.enum(CLASH_KINDS), jobId: idSchema, key: z.string().nullable(), sentence: z.string() }),
    ),
    /** All that is booked from today on, whatever week, for who looks for a free place. */
    taken: bookingsSchema.element.array(),
  }),
});
export type Week = z.infer<typeof getWeek.answer>;

/** The same week as a calendar's file. */
export const getWeekCalendar = contract({
  method: 'get',
  path: '/api/week.ics',
  permission: 'read',
  params: getWeek.params,
  body: nothing,
  answer: nothing,
});

const feedSchema = z.object({
  /** When a calendar last read it; null where none did. */
  readAt: z.iso.datetime().nullable(),
  exists: z.boolean(),
});

/** Whether one's calendar has an address to read the bay from. */
export const getFeed = contract({
  method: 'get',
  path: '/api/week/feed',
  permission: 'self',
  params: z.object({}),
  body: nothing,
  answer: feedSchema,
});

/** A new address; one from before is not answered any more. It is told once. */
export const makeFeed = contract({
  method: 'post',
  path: '/api/week/feed',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({}),
  answer: z.object({ paths: z.object({ own: z.string(), all: z.string() }) }),
});

export const endFeed = contract({
  method: 'post',
  path: '/api/week/feed/end',
  permission: 'self',
  params: z.object({}),
  body: z.strictObject({}),
  answer: feedSchema,
});

/** For calendars, which sign in nowhere: who has the address may read it. */
export const FEED_ROOT = '/api/calendar/';
export const FEED_PATH = `${FEED_ROOT}:token/:which.ics`;
export const FEED_KINDS = ['own', 'all'] as const;
