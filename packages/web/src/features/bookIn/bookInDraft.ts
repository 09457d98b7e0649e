/** A car that is being booked in, as the device keeps it until the shop has it. */
import { type NewJob, newJobSchema } from '@low-quarry/core/contracts/jobs';
import { isSame } from '@low-quarry/core/records';
import { z } from 'zod';
import type { DeviceStore } from '../../device/DeviceStore';
import { draftPrefix, forgetDraft, readDraftText } from '../../device/drafts';
import { readKept } from '../../ui/useKept';
import { newVehicleTypedSchema, readNewVehicleSchema } from '../vehicles/typedVehicle';

/** An earlier page kept no date as an empty text, and knew no vehicle but those of the library. */
export const bookInSchema = z.object({
  vehicleId: z.string(),
  newVehicle: newVehicleTypedSchema.nullable().default(null),
  customer: z.string(),
  registration: z.string(),
  wants: z.string(),
  dueOn: z
    .string()
    .nullable()
    .transform((date) => date || null),
});
export type BookInTyped = z.infer<typeof bookInSchema>;

/** What is typed, as the shop takes it. */
export const readBookInSchema: z.ZodType<NewJob, BookInTyped> = z
  .object({
    ...bookInSchema.shape,
    newVehicle: readNewVehicleSchema.nullable(),
    dueOn: z.string().nullable(),
  })
  .pipe(newJobSchema as unknown as z.ZodType<NewJob, NewJob>);

export const BOOK_IN_DRAFT = 'bookIn';

/** The shop has this car: the sheet, opened again, is for the next one; unless something else was typed meanwhile. */
export async function forgetBookedIn(store: DeviceStore, personId: string, job: NewJob): Promise<void> {
  const key = `${draftPrefix(personId)}${BOOK_IN_DRAFT}`;
  const text = readDraftText(key);
  if (text === null) return;
  if (isSame(readKept(text, bookInSchema.pipe(readBookInSchema)), job)) await forgetDraft(store, key, text);
}
