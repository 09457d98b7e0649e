/** The power of a channel as it is typed: watts, how they are rated, and into what. */
import { type Channel, POWER_RATINGS } from '@low-quarry/core/model';
import { z } from 'zod';
import { numberText, ohmTyped, wattTyped } from './typedNumber';

export const powerTyped = { watt: z.string(), rating: z.enum(POWER_RATINGS), atOhm: z.string() };
type PowerTyped = z.output<z.ZodObject<typeof powerTyped>>;

export const powerRead = { watt: wattTyped, rating: z.enum(POWER_RATINGS), atOhm: ohmTyped };

/** @returns null where no power is given; undefined after a slip, which is said at its field */
export function powerOf(
  { watt, rating, atOhm }: z.output<z.ZodObject<typeof powerRead>>,
  context: z.RefinementCtx,
): Channel['power'] | undefined {
  if (watt !== null) return { watt, rating, atOhm };
  if (atOhm === null) return null;
  context.addIssue({
    code: 'custom',
    path: ['watt'],
    message: 'Type the power that is given into these ohms, or leave the ohms empty.',
  });
  return undefined;
}

export function toPowerTyped(power: Channel['power']): PowerTyped {
  return {
    watt: numberText(power?.watt ?? null),
    rating: power?.rating ?? 'RMS',
    atOhm: numberText(power?.atOhm ?? null),
  };
}
