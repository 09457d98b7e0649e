/** Work outside requests: asked again while some is open. */
import { isOpenWork, listWork, retryWork, stopWork } from '@low-quarry/core/contracts/work';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';

const WHILE_OPEN_MS = 1000;
/** The night's work begins by itself. */
const ELSE_MS = 60_000;

export const workQuery = queryOptions({
  queryKey: ['work'],
  queryFn: ({ signal }) => call(listWork, { params: {}, signal }),
  refetchInterval: ({ state: { data } }) => (data?.work.some(isOpenWork) ? WHILE_OPEN_MS : ELSE_MS),
});

function useChange(contract: typeof stopWork | typeof retryWork) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (workId: string) => call(contract, { params: { workId }, body: {} }),
    retry: false,
    onSettled: () => askAnew(queries, workQuery.queryKey),
  });
}
export const useStopWork = () => useChange(stopWork);
export const useRetryWork = () => useChange(retryWork);
