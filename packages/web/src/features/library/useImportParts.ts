import { importParts } from '@low-quarry/core/contracts/library';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/call';

/** The server reads the pack by its schema and names what is wrong by its path. */
export function useImportParts() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { readonly name: string; readonly pack: unknown; readonly tryOut: boolean }) =>
      call(importParts, { params: {}, body: body as never }),
    retry: false,
    onSuccess: (_, { tryOut }) =>
      tryOut ? undefined : queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
}
