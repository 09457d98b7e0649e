/** A change that takes long and can be stopped: then nothing of it is done. What it changes may be anything of the shop's. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';

/** @param changes whether what was asked changes anything, so that screens ask anew */
export function useStoppable<Asked, Answer>(
  ask: (asked: Asked, signal: AbortSignal) => Promise<Answer>,
  changes: (asked: Asked) => boolean,
) {
  const queries = useQueryClient();
  const stopper = useRef(new AbortController());
  const mutation = useMutation({
    mutationFn: (asked: Asked) => {
      stopper.current = new AbortController();
      return ask(asked, stopper.current.signal);
    },
    retry: false,
    onSuccess: (_, asked) =>
      changes(asked)
        ? queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' })
        : undefined,
  });
  return {
    ...mutation,
    stop: () => {
      stopper.current.abort();
      mutation.reset();
    },
  };
}
