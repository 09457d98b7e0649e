/** The bay's week, and times booked in it. */
import { putBooked } from '@low-quarry/core/contracts/jobs';
import { endFeed, getFeed, getWeek, makeFeed, type Week } from '@low-quarry/core/contracts/week';
import { bookingsSchema } from '@low-quarry/core/model';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { changeOnNewest } from '../../api/changeOnNewest';
import { toast } from '../../ui/toast';
import { type BookingChange, bookedAfter, withChange } from './bookingChange';

/** @param day any of the week; null for the one that is */
export function weekQuery(day: string | null) {
  return queryOptions({
    queryKey: ['week', day],
    queryFn: ({ signal }) => call(getWeek, { params: { day }, signal }),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
}

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
async function book({ car: { jobId, version, booked }, ...change }: BookingChange): Promise<void> {
  await changeOnNewest({ version, booked }, storedSchema, async (stored) => {
    const next = bookedAfter(stored.booked, change);
    await call(putBooked, { params: { jobId }, body: { version: stored.version, booked: next } });
  });
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
