/** What this job puts into the line before one speaker: parts as they are sold. Null where nothing is put there. */
import { z } from 'zod';

const microfarad = z
  .number('Type µF.')
  .min(0.1, 'Type 0.1 µF or more.')
  .max(2000, 'Type at most 2,000 µF: a capacitor is in µF.');
const millihenry = z
  .number('Type mH.')
  .min(0.01, 'Type 0.01 mH or more.')
  .max(50, 'Type at most 50 mH: a coil is in mH.');
const ohm = z.number('Type Ω.').min(0.1, 'Type 0.1 Ω or more.').max(500, 'Type at most 500 Ω.');

export const lineFilterSchema = z
  .strictObject({
    highPass: z.strictObject({ capacitorUf: microfarad, coilMh: millihenry.nullable() }).nullable(),
    lowPass: z.strictObject({ coilMh: millihenry, capacitorUf: microfarad.nullable() }).nullable(),
    pad: z.strictObject({ seriesOhm: ohm, parallelOhm: ohm.nullable() }).nullable(),
    /** Where the parts lie, and what holds them: loose in a door they rattle, and break their leads. */
    where: z.string().trim().max(80, 'Type at most 80 characters.'),
  })
  .refine(({ highPass, lowPass, pad }) => highPass !== null || lowPass !== null || pad !== null, {
    path: ['highPass'],
    message: 'Nothing is in it: leave it out.',
  });
export type OpeningLineFilter = z.infer<typeof lineFilterSchema>;
