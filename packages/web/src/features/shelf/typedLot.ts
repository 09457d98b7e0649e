/** A lot as it is typed. */
import { type ShelfState, shelfStateSchema } from '@low-quarry/core/model';
import { z } from 'zod';
import { wholeTyped } from '../../text/typedWhole';

export const lotTypedSchema = z.object({ place: z.string(), pieces: z.string(), from: z.string() });
export type LotTyped = z.output<typeof lotTypedSchema>;
export type LotRead = Pick<ShelfState, 'place' | 'pieces' | 'from'>;

export const NEW_LOT: LotTyped = { place: '', pieces: '', from: '' };

/** What nobody counted is no number: an empty field is asked about, never taken for none. */
const counted = wholeTyped(null).transform((pieces, context) => {
  if (pieces !== null) return pieces;
  context.addIssue('Count them, and type how many there are.');
  return z.NEVER;
});

export const readLotSchema = lotTypedSchema
  .extend({ pieces: counted })
  .pipe(shelfStateSchema.pick({ place: true, pieces: true, from: true })) as unknown as z.ZodType<LotRead, LotTyped>;

export function toLotTyped({ place, pieces, from }: LotRead): LotTyped {
  return { place, pieces: String(pieces), from };
}
