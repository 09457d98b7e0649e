/** Saves a part from a form of its page; what somebody else saved meanwhile is put together with it, or asked about. */
import { type Field, partFields } from '@low-quarry/core/records';
import { z } from 'zod';
import { fieldProblems } from '../../ui/problemFields';
import { useConflict } from '../../ui/useConflict';
import { useCorrectPart } from './libraryQueries';

const recordSchema = z.record(z.string(), z.unknown());
export type Rec = z.infer<typeof recordSchema>;
type Versioned = { readonly version: number; readonly record: Rec };
const versionedSchema = z.object({ version: z.int(), record: recordSchema });

/** @param onSaved what the shop has now */
export function useCorrection(id: string, onSaved: (saved: Versioned) => void) {
  const correct = useCorrectPart(id);
  const conflict = useConflict<Rec>({
    fieldsOf: (...records) => partFields(...records) as unknown as readonly Field<Rec>[],
    read: (current) => versionedSchema.safeParse(current).data ?? null,
    save: (on, onError) => correct.mutate(on, { onError, onSuccess: onSaved }),
  });
  return { correct, refused: fieldProblems(correct.error), ...conflict };
}
