import { getOrder } from '@low-quarry/core/contracts/orders';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/call';

export function orderQuery(jobId: string) {
  return queryOptions({
    queryKey: ['orders', jobId],
    queryFn: ({ signal }) => call(getOrder, { params: { jobId }, signal }),
  });
}
