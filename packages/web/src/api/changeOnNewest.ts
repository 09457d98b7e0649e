/** A change that holds whatever else of a record was changed meanwhile: where its version is an old one it is made anew on what is stored. */
import type { z } from 'zod';
import { ProblemError } from './call';

const MOST_TURNS = 4;

/**
 * @param first what was seen
 * @param schema what of a clash's record the change needs
 * @param change sends it, made on what is stored; throws where that does not hold any more
 * @throws as `change` does, and where others are quicker again and again
 */
export async function changeOnNewest<Stored>(
  first: Stored,
  schema: z.ZodType<Stored>,
  change: (stored: Stored) => Promise<void>,
): Promise<void> {
  let stored = first;
  for (let turn = 0; ; turn++) {
    try {
      await change(stored);
      return;
    } catch (error) {
      const isStale = error instanceof ProblemError && error.problem.type === '/problems/version-conflict';
      const current = isStale && turn < MOST_TURNS ? schema.safeParse(error.problem.current) : null;
      if (!current?.success) throw error;
      stored = current.data;
    }
  }
}
