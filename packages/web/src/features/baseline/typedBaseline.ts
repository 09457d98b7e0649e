/** A baseline as it is typed: a speed is a line of text until it is read. */
import { type Baseline, baselineSchema, listeningSchema } from '@low-quarry/core/model';
import type { Control } from 'react-hook-form';
import { z } from 'zod';

const kmhTyped = z.string().transform((text, context) => {
  const typed = text.trim();
  if (typed === '') return null;
  if (/^\d{1,3}$/.test(typed)) return Number(typed);
  context.addIssue(`“${typed.slice(0, 20)}” was read. Type a speed such as 50, or leave it empty.`);
  return z.NEVER;
});

export const baselineTypedSchema = baselineSchema.extend({
  listening: z.array(
    z.object({
      ...{ volume: z.string(), source: z.string(), road: z.string() },
      ...{ kmh: z.string(), seat: z.string(), words: z.string() },
    }),
  ),
});
export type BaselineTyped = z.output<typeof baselineTypedSchema>;
export type BaselineControl = Control<BaselineTyped, unknown, Baseline>;

/** What is typed, as the shop takes it. */
export const readBaselineSchema: z.ZodType<Baseline, BaselineTyped> = baselineSchema.extend({
  settings: baselineSchema.shape.settings.unwrap(),
  listening: z
    .array(z.object({ ...listeningSchema.shape, kmh: kmhTyped.pipe(listeningSchema.shape.kmh) }))
    .pipe(baselineSchema.shape.listening),
});

export function toBaselineTyped(baseline: Baseline): BaselineTyped {
  return {
    ...baseline,
    listening: baseline.listening.map((each) => ({ ...each, kmh: each.kmh === null ? '' : String(each.kmh) })),
  };
}
