/**
 * A kind of record that a form saves whole on a version, at once where the shop answers, from the outbox where it does not: how it is read,
 * sent, and put together with what somebody else saved meanwhile. A form brings its own kind; the outbox knows all of them (`savedKinds`).
 */
import type { Field } from '@low-quarry/core/records';
import type { z } from 'zod';
import type { SAVED_NAMES } from '../entrySchema';

export type SavedName = (typeof SAVED_NAMES)[number];
export type Versioned<Rec> = { readonly version: number; readonly record: Rec };
/** By whom and as which request it is sent from the outbox; nothing where the form itself sends it. */
type Sender = { readonly key?: string; readonly personId?: string };

export type SavedKind<Rec, Answer> = {
  readonly name: SavedName;
  readonly schema: z.ZodType<Rec>;
  readonly fieldsOf: (...records: readonly Rec[]) => readonly Field<Rec>[];
  readonly put: (id: string, on: Versioned<Rec>, sender: Sender) => Promise<Answer>;
  /** What the shop has, out of an answer or a refusal; null where that is not readable. */
  readonly read: (current: unknown) => Versioned<Rec> | null;
  /** The answer as the device keeps it. */
  readonly answer: z.ZodType<Answer>;
};
