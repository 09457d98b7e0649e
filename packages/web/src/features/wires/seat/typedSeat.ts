/** What a tweeter sits in as somebody types it. */
import { TWEETER_HOLD_KINDS, TWEETER_SEAT_KINDS, type TweeterSeat, tweeterSeatSchema } from '@low-quarry/core/model';
import { explainLengthFailure, type LengthUnit, parseLength, printNumber } from '@low-quarry/core/units';
import { z } from 'zod';

export const seatTypedSchema = z.object({
  seat: z.enum(TWEETER_SEAT_KINDS).nullable(),
  heldBy: z.enum(TWEETER_HOLD_KINDS).nullable(),
  clothGap: z.string(),
  lookAgain: z.string(),
});
export type SeatTyped = z.infer<typeof seatTypedSchema>;

export function toSeatTyped(seat: TweeterSeat | null, unit: LengthUnit): SeatTyped {
  return {
    seat: seat?.seat ?? null,
    heldBy: seat?.heldBy ?? null,
    clothGap: seat === null || seat.clothGapMm === null ? '' : printNumber(seat.clothGapMm, unit),
    lookAgain: seat?.lookAgain ?? '',
  };
}

/** @param unit what a length without a unit is meant in */
export function readSeatSchema(unit: LengthUnit): z.ZodType<TweeterSeat, SeatTyped> {
  return seatTypedSchema.transform(({ seat, heldBy, clothGap, lookAgain }, context) => {
    const slip = (path: keyof SeatTyped, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    const gap = clothGap.trim() === '' ? null : parseLength(clothGap, unit);
    if (seat === null) slip('seat', 'Say what it sits in.');
    if (heldBy === null) slip('heldBy', 'Say what holds it there.');
    if (gap && !gap.ok) slip('clothGap', explainLengthFailure(gap.failure));
    if (seat === null || heldBy === null || (gap && !gap.ok)) return z.NEVER;
    const read = tweeterSeatSchema.safeParse({ seat, heldBy, clothGapMm: gap ? gap.value.valueMm : null, lookAgain });
    if (read.success) return read.data;
    for (const { path, message } of read.error.issues)
      slip(path[0] === 'lookAgain' ? 'lookAgain' : 'clothGap', message);
    return z.NEVER;
  });
}
