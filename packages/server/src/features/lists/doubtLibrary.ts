/** Looks through the figures of a whole library, without a database. */
import { doubtsOf, type LibraryDoubts } from '@low-quarry/core/lists';
import type { Say } from '../../tasks/Say';
import { readKept } from '../library/readRecords';

/** @param given every part as the JSON that is kept */
export function doubtLibrary({ kept }: { readonly kept: readonly string[] }, say: Say): LibraryDoubts {
  say('Reading the library', 0);
  const parts = readKept(kept);
  say('Comparing speakers with their class', 0.3);
  return doubtsOf(parts);
}
