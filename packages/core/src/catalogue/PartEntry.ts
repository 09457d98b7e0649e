/** The entry of a kind of part: everything that the rest of the program needs to know of the kind. */
import type { z } from 'zod';
import type { FitCatalogue } from '../fit';
import type { Orderable } from './orderable';
import type { Spec } from './specs/Spec';

export type NamedConnector = {
  /** The field that names it. */
  readonly field: string;
  readonly id: string;
};

export type PartEntry<Schema extends z.ZodType<Orderable> = z.ZodType<Orderable>, Listed = unknown> = {
  readonly schema: Schema;
  /** What is asked of one, as it is typed and as it stands in lists; what has no line here is in the record as it is kept. */
  readonly specs: readonly Spec[];
  /** What lists show and filter by, besides id, maker and name. */
  readonly listed: (part: z.output<Schema>) => Listed;
  /** What one is, in a line of the trade's words. */
  readonly says: (part: z.output<Schema>) => string;
  /** Connectors that must be in the catalogue with it. */
  readonly connectors: (part: z.output<Schema>) => readonly NamedConnector[];
  /** Whether there are so few that a device has all of them in memory; of the others it reads those that are named. */
  readonly isAtHand: boolean;
  /** The shapes that the fit works on; nothing where the fit does not know the kind. */
  readonly toFit: (part: z.output<Schema>) => Partial<FitCatalogue>;
};

export function partEntry<Schema extends z.ZodType<Orderable>, Listed>(
  entry: PartEntry<Schema, Listed>,
): PartEntry<Schema, Listed> {
  return entry;
}
