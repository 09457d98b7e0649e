/** Spacer rings. */
import { z } from 'zod';
import type { FitSpacer } from '../../fit';
import { catalogueLength, orderable, pieceOf } from '../orderable';
import { outlineSchema, toOutline } from '../outline';
import { partEntry } from '../PartEntry';
import { length, outline, rounding, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { outlineWords } from '../words/partWords';

export const spacerSchema = z.strictObject({
  kind: z.literal('spacer'),
  ...orderable,
  inner: outlineSchema,
  outer: outlineSchema,
  heightMm: z.number().positive().max(60),
});
export type SpacerRecord = z.infer<typeof spacerSchema>;

const specs: readonly Spec[] = [
  outline('inner', 'Inside'),
  outline('outer', 'Outside'),
  length('heightMm', 'Height'),
  rounding,
];

export const spacerEntry = partEntry({
  schema: spacerSchema,
  specs: specs,
  listed: () => ({}),
  says: ({ heightMm, inner, outer }) =>
    `${printed(heightMm)} mm high, ${outlineWords(inner)} inside, ${outlineWords(outer)} outside`,
  connectors: () => [],
  isAtHand: true,
  toFit: (record) => ({ spacers: [toFitSpacer(record)] }),
});

function toFitSpacer(record: SpacerRecord): FitSpacer {
  const length = catalogueLength(record);
  return {
    kind: 'spacer',
    ...pieceOf(record),
    inner: toOutline(record.inner, length),
    outer: toOutline(record.outer, length),
    height: length(record.heightMm),
    made: false,
  };
}
