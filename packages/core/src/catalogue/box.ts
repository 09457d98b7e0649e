/** The room that a box-shaped thing takes: a crossover, an amplifier, a radio. */
import { z } from 'zod';

const sideMm = z.number().positive().max(2000);

/** Its longest side first, its height last; null where the catalogue does not say. */
export const boxSchema = z.strictObject({ lengthMm: sideMm, widthMm: sideMm, heightMm: sideMm });
export type Box = z.infer<typeof boxSchema>;
