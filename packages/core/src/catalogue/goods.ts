/** What every generic good has: it is bought anywhere, and goes into no chain of a fit. */
import type { z } from 'zod';
import type { Orderable } from './orderable';
import { type NamedConnector, type PartEntry, partEntry } from './PartEntry';
import type { Spec } from './specs/Spec';

/**
 * @param specs what is asked of one
 * @param listed what lists show of one besides its name
 * @param connectors those that it names
 */
export function goodsEntry<Schema extends z.ZodType<Orderable>, Listed>(
  schema: Schema,
  specs: readonly Spec[],
  listed: (part: z.output<Schema>) => Listed,
  says: (part: z.output<Schema>) => string,
  connectors: (part: z.output<Schema>) => readonly NamedConnector[] = () => [],
): PartEntry<Schema, Listed> {
  return partEntry({ schema, specs, listed, says, connectors, isAtHand: false, toFit: () => ({}) });
}
