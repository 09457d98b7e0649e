/** Surfaces as they are typed: lengths are lines of text. */
import { type Quieted, quietedSchema } from '@low-quarry/core/model';
import { z } from 'zod';
import { lengthTyped, numberText } from '../../panels/typedNumber';

const parts = quietedSchema.element.shape;
const fields = {
  ...{ name: z.string(), kind: parts.kind, spot: parts.spot, area: parts.area, material: parts.material },
  ...{ lengthMm: z.string(), widthMm: z.string(), thicknessMm: z.string() },
  ...{ staysOpen: z.string().nullable(), blocked: z.string().nullable() },
};
export const quietingTypedSchema = z.object({ quieted: z.array(z.object(fields)) });
export type QuietingTyped = z.output<typeof quietingTypedSchema>;

export const readQuietingSchema: z.ZodType<{ quieted: Quieted[] }, QuietingTyped> = z
  .object({
    quieted: z.array(z.object({ ...fields, lengthMm: lengthTyped, widthMm: lengthTyped, thicknessMm: lengthTyped })),
  })
  .pipe(z.object({ quieted: quietedSchema }));

export function toQuietingTyped(quieted: readonly Quieted[]): QuietingTyped {
  return {
    quieted: quieted.map(({ lengthMm, widthMm, thicknessMm, ...each }) => ({
      ...each,
      lengthMm: numberText(lengthMm),
      widthMm: numberText(widthMm),
      thicknessMm: numberText(thicknessMm),
    })),
  };
}
