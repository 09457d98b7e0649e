/**
 * Queries and changes wait for a server that is away and go on by themselves; any other failure is shown at once,
 * because asking again would get the same answer.
 */
import { QueryClient } from '@tanstack/react-query';
import { AwayError } from './call';

export const RETRY_MS = 2000;

function retryWhileAway(_count: number, error: Error): boolean {
  return error instanceof AwayError;
}

export function createQueryClient(): QueryClient {
  const waiting = { networkMode: 'always', retry: retryWhileAway, retryDelay: RETRY_MS } as const;
  return new QueryClient({
    defaultOptions: { queries: { ...waiting, staleTime: 5_000 }, mutations: waiting },
  });
}
