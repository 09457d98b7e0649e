/** Surfaces as they are typed: lengths are lines of text. */
import { type Quieted, quietedSchema, readSpots, spotsText } from '@low-quarry/core/model';
import { z } from 'zod';
import { markedText, markedTyped } from '../../panels/typedMarks';
import { lengthTyped, numberText } from '../../panels/typedNumber';

const parts = quietedSchema.element.shape;
const fields = {
  ...{ name: z.string(), kind: parts.kind, spot: parts.spot, area: parts.area, material: parts.material },
  ...{ lengthMm: z.string(), widthMm: z.string(), thicknessMm: z.string() },
  ...{ staysOpen: z.string().nullable(), blocked: z.string().nullable() },
  ...{ spots: z.string(), sheetLengthMm: z.string(), sheetWidthMm: z.string(), marked: z.string() },
};
export const quietingTypedSchema = z.object({ quieted: z.array(z.object(fields)) });
export type QuietingTyped = z.output<typeof quietingTypedSchema>;

const spotsTyped = z.string().transform((text, context) => {
  const spots = readSpots(text, 'mm');
  if (spots.ok) return [...spots.value];
  context.addIssue(spots.failure);
  return z.NEVER;
});

const lengths = {
  ...{ lengthMm: lengthTyped, widthMm: lengthTyped, thicknessMm: lengthTyped },
  ...{ sheetLengthMm: lengthTyped, sheetWidthMm: lengthTyped },
};
export const readQuietingSchema: z.ZodType<{ quieted: Quieted[] }, QuietingTyped> = z
  .object({ quieted: z.array(z.object({ ...fields, ...lengths, spots: spotsTyped, marked: markedTyped })) })
  .pipe(z.object({ quieted: quietedSchema as z.ZodType<Quieted[], Quieted[]> }));

export function toQuietingTyped(quieted: readonly Quieted[]): QuietingTyped {
  return {
    quieted: quieted.map((each) => ({
      ...each,
      lengthMm: numberText(each.lengthMm),
      widthMm: numberText(each.widthMm),
      thicknessMm: numberText(each.thicknessMm),
      sheetLengthMm: numberText(each.sheetLengthMm),
      sheetWidthMm: numberText(each.sheetWidthMm),
      spots: spotsText(each.spots, 'mm'),
      marked: markedText(each.marked),
    })),
  };
}
