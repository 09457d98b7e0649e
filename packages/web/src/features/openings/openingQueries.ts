/** Queries and changes of openings. */
import { getOpening, type Opening, openingSchema, putOpening } from '@low-quarry/core/contracts/openings';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call, ProblemError } from '../../api/call';
import { jobKeys } from '../jobs/jobsQueries';
import type { OpeningDraft } from './openingDraft';

export const openingKeys = { one: (openingId: string) => ['openings', openingId] as const };

export function openingQuery(openingId: string) {
  return queryOptions({
    queryKey: openingKeys.one(openingId),
    queryFn: ({ signal }) => call(getOpening, { params: { openingId }, signal }),
  });
}

type Save = { readonly version: number; readonly record: OpeningRecord; readonly draft: OpeningDraft };

/** @param onSaved told even when the screen was left before the answer came */
export function useSaveOpening(openingId: string, onSaved: (opening: Opening, sent: OpeningDraft) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ version, record }: Save): Promise<Opening> => {
      try {
        return await call(putOpening, { params: { openingId }, body: { version, record } });
      } catch (error) {
        // A save whose answer was lost on the way is asked again; finding just what was sent, it was kept the first time.
        const current = error instanceof Error ? conflictOf(error) : null;
        if (current && JSON.stringify(sorted(current.record)) === JSON.stringify(sorted(record))) return current;
        throw error;
      }
    },
    onSuccess: (opening, { draft }) => {
      onSaved(opening, draft);
      queries.setQueryData(openingKeys.one(openingId), opening);
      return queries.invalidateQueries({ queryKey: jobKeys.all });
    },
  });
}

/** What is stored now, when a save was refused because somebody else saved first. */
export function conflictOf(error: Error | null): Opening | null {
  if (!(error instanceof ProblemError) || error.problem.status !== 409) return null;
  const parsed = openingSchema.safeParse(error.problem.current);
  return parsed.success ? parsed.data : null;
}

/** The same value with every object's keys in one order: the database keeps its own. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, each]) => [key, sorted(each)]));
}
