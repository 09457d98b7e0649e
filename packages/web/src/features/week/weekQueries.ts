/** The bay's week, and times booked in it. */
import { putBooked } from '@low-quarry/core/contracts/jobs';
import { endFeed, getFeed, getWeek, makeFeed, type Week, type WeekCar } from '@low-quarry/core/contracts/week';
import { type Booking, bookingsSchema } from '@low-quarry/core/model';
import { isSame } from '@low-quarry/core/records';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { askAnew } from '../../api/askAnew';
import { call, ProblemError } from '../../api/call';
import { toast } from '../../ui/toast';

/** @param day any of the week; null for the one that is */
export function weekQuery(day: string | null) {
  return queryOptions({
    queryKey: ['week', day],
    queryFn: ({ signal }) => call(getWeek, { params: { day }, signal }),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
}

export type BookingChange = {
  readonly car: WeekCar;
  /** As it was when this was decided; null for a new one. */
  readonly before: Booking | null;
  /** Null where it is taken off. */
  readonly after: Booking | null;
  /** What is said once it is done. */
  readonly said: string;
};

export function useBook() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (change: BookingChange) => book(change),
    retry: false,
    // It stands where it was let go, until the shop says what it is.
    onMutate: async (change: BookingChange) => {
      await queries.cancelQueries({ queryKey: ['week'] });
      const before = queries.getQueriesData<Week>({ queryKey: ['week'] });
      queries.setQueriesData<Week>({ queryKey: ['week'] }, (week) => week && withChange(week, change));
      return before;
    },
    onError: (_error, _change, before) => {
      for (const [key, week] of before ?? []) queries.setQueryData(key, week);
    },
    onSuccess: (_, { said }) => {
      toast(said, { canUndo: true });
      for (const name of ['jobs', 'undo']) void askAnew(queries, [name]);
    },
    // Not waited for: while the server is away it is asked again and again.
    onSettled: () => void askAnew(queries, ['week']),
  });
}

const storedSchema = z.object({ version: z.int(), booked: bookingsSchema });

/**
 * What else is changed of the job meanwhile, such as a step that is ticked, stays; the time itself is changed by nobody unseen.
 *
 * @throws Error where somebody else changed the same time
 */
async function book({ car: { jobId, ...car }, before, after }: BookingChange): Promise<void> {
  const key = (after ?? before)?.key;
  let stored: z.output<typeof storedSchema> = car;
  for (let turn = 0; ; turn++) {
    try {
      const booked = withOne(stored.booked, before, after);
      await call(putBooked, { params: { jobId }, body: { version: stored.version, booked } });
      return;
    } catch (error) {
      const isStale = error instanceof ProblemError && error.problem.type === '/problems/version-conflict';
      const current = isStale && turn < MOST_TURNS ? storedSchema.safeParse(error.problem.current) : null;
      if (!current?.success) throw error;
      stored = current.data;
      const theirs = stored.booked.find((each) => each.key === key) ?? null;
      if (!isSame(theirs, before))
        throw new Error('Somebody else changed this time meanwhile: it is shown as it is now.');
    }
  }
}

const MOST_TURNS = 4;

function withOne(booked: readonly Booking[], before: Booking | null, after: Booking | null): Booking[] {
  const others = booked.filter(({ key }) => key !== before?.key);
  return after ? [...others, after] : others;
}

/** The week as it will be, without what the shop alone can say: what clashes. */
function withChange(week: Week, { car, before, after }: BookingChange): Week {
  const booked = withOne(car.booked, before, after);
  const changed = { ...car, booked };
  const isThere = week.cars.some(({ jobId }) => jobId === car.jobId);
  const cars = isThere ? week.cars.map((each) => (each.jobId === car.jobId ? changed : each)) : [...week.cars, changed];
  return { ...week, cars, waiting: week.waiting.filter(({ jobId }) => jobId !== car.jobId || booked.length === 0) };
}

export const feedQuery = queryOptions({
  queryKey: ['weekFeed'],
  queryFn: ({ signal }) => call(getFeed, { params: {}, signal }),
  staleTime: 0,
});

export function useMakeFeed() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => call(makeFeed, { params: {}, body: {} }),
    retry: false,
    onSuccess: () => askAnew(queries, feedQuery.queryKey),
  });
}

export function useEndFeed() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => call(endFeed, { params: {}, body: {} }),
    retry: false,
    onSuccess: () => askAnew(queries, feedQuery.queryKey),
  });
}
