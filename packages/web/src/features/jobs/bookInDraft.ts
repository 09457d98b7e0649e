/** A car that is being booked in, as the device keeps it until the shop has it. */
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { isSame } from '@low-quarry/core/records';
import { z } from 'zod';
import type { DeviceStore } from '../../device/DeviceStore';
import { draftPrefix, forgetDraft, readDraftText } from '../../device/drafts';
import { readKept } from '../../ui/useKept';

/** An earlier page kept no date as an empty text. */
export const bookInSchema = z.object({
  vehicleId: z.string(),
  customer: z.string(),
  registration: z.string(),
  wants: z.string(),
  dueOn: z
    .string()
    .nullable()
    .transform((date) => date || null),
});
export type BookInTyped = z.infer<typeof bookInSchema>;

export const BOOK_IN_DRAFT = 'bookIn';

/** The shop has this car: the sheet, opened again, is for the next one; unless something else was typed meanwhile. */
export async function forgetBookedIn(
  store: DeviceStore,
  personId: string,
  job: z.infer<typeof newJobSchema>,
): Promise<void> {
  const key = `${draftPrefix(personId)}${BOOK_IN_DRAFT}`;
  const text = readDraftText(key);
  if (text === null) return;
  if (isSame(readKept(text, bookInSchema.pipe(newJobSchema)), job)) await forgetDraft(store, key, text);
}
