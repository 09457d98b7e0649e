/** Foam and gaskets: what seals a speaker to its panel, and to the card. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { lengthMm, outlineSchema } from '../outline';
import { choice, knownLength, knownNumber, knownOutline, length, type Spec, yesNo } from '../specs/Spec';
import { printed } from '../words/figures';
import { outlineWords } from '../words/partWords';

export const FOAM_FORMS = ['ring', 'tape', 'sheet'] as const;

export const foamSchema = z.strictObject({
  kind: z.literal('foam'),
  ...orderable,
  type: z.enum(FOAM_FORMS),
  thicknessMm: z.number().positive().max(100),
  /** Pressed together as far as it goes; null where nobody says. */
  pressedMm: z.number().min(0).max(100).nullable(),
  /** Of a ring. */
  inner: outlineSchema.nullable().default(null),
  outer: outlineSchema.nullable().default(null),
  /** Of a tape or a sheet. */
  widthMm: lengthMm.nullable().default(null),
  lengthM: z.number().positive().max(100).nullable().default(null),
  isSticky: z.boolean(),
});

const specs: readonly Spec[] = [
  choice('type', 'What it is', FOAM_FORMS),
  length('thicknessMm', 'Thickness'),
  knownLength('pressedMm', 'Pressed together'),
  knownOutline('inner', 'Inside, of a ring'),
  knownOutline('outer', 'Outside, of a ring'),
  knownLength('widthMm', 'Width, of a tape or a sheet'),
  knownNumber('lengthM', 'Length, m', '5'),
  yesNo('isSticky', 'Sticks by itself'),
];

export const foamEntry = goodsEntry(
  foamSchema,
  specs,
  ({ type, thicknessMm }) => ({ type, thicknessMm }),
  ({ type, thicknessMm, pressedMm, inner, outer, widthMm, lengthM, isSticky }) =>
    [
      `${type} ${printed(thicknessMm)} mm thick`,
      ...(pressedMm === null ? [] : [`pressed ${printed(pressedMm)} mm`]),
      ...(inner && outer ? [`${outlineWords(inner)} inside, ${outlineWords(outer)} outside`] : []),
      ...(widthMm === null ? [] : [`${printed(widthMm)} mm wide`]),
      ...(lengthM === null ? [] : [`${printed(lengthM)} m`]),
      isSticky ? 'sticks by itself' : 'does not stick by itself',
    ].join(', '),
);
