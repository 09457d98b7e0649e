import { useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/call';
import { lateCode } from '../../ui/late';

/** Behind the screen, for whoever brings parts in: a pack's schema has every kind of record in it. */
const importing = lateCode(() => import('@low-quarry/core/contracts/importParts').then((code) => code.importParts));

/** The server reads the pack by its schema and names what is wrong by its path. */
export function useImportParts() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (body: { readonly name: string; readonly pack: unknown; readonly tryOut: boolean }) =>
      call(await importing(), { params: {}, body: body as never }),
    retry: false,
    onSuccess: (_, { tryOut }) =>
      tryOut ? undefined : queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
}
