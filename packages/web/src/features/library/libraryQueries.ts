/** One part of the library: with its version, where its figures come from, corrected. */
import { getPart, partOrigins, partSets, putPart } from '@low-quarry/core/contracts/library';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/call';

export function partQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'part', id],
    queryFn: ({ signal }) => call(getPart, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

export function partOriginsQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'origins', id],
    queryFn: ({ signal }) => call(partOrigins, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

/** Sets that it is a piece of. */
export function partSetsQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'sets', id],
    queryFn: ({ signal }) => call(partSets, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

export function useCorrectPart(id: string) {
  const queries = useQueryClient();
  return useMutation({
    // The server reads the record by its schema and names what is wrong by its path.
    mutationFn: (body: { readonly version: number; readonly record: Readonly<Record<string, unknown>> }) =>
      call(putPart, { params: { partId: id }, body: body as never }),
    retry: false,
    onSuccess: (answer) => {
      queries.setQueryData(partQuery(id).queryKey, answer);
      // Nobody waits for it: until the form knows that it is saved, a reload would bring its text back as unsaved.
      void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    },
  });
}
