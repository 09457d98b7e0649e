/** What an amplifier's channels give, by load. */
import { z } from 'zod';
import { RATING_KINDS } from './rating';

export const POWER_KINDS = ['RMS', ...RATING_KINDS] as const;

export const channelPowersSchema = z
  .array(
    z.strictObject({
      channels: z.int().min(1).max(16),
      /** Of each channel. */
      watt: z.number().positive().max(50_000),
      /** Only RMS compares. */
      kind: z.enum(POWER_KINDS),
      /** The load it is rated at; null where nobody says. */
      atOhm: z.number().positive().max(32).nullable(),
      /** Whether two channels are joined for each of these. */
      isBridged: z.boolean(),
    }),
  )
  .max(12);
export type ChannelPowers = z.infer<typeof channelPowersSchema>;
