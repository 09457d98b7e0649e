/** Deadening: what is stuck on to a panel so that it does not sound by itself. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, knownNumber, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';

export const DEADENING_MATERIALS = ['butyl', 'bitumen', 'closed-cell foam', 'felt'] as const;

export const deadeningSheetSchema = z.strictObject({
  kind: z.literal('deadeningSheet'),
  ...orderable,
  material: z.enum(DEADENING_MATERIALS),
  thicknessMm: z.number().positive().max(60),
  widthMm: z.number().positive().max(4000),
  lengthMm: z.number().positive().max(20_000),
  /** Of a square metre; null where nobody says. */
  massKgM2: z.number().positive().max(50).nullable(),
});

const specs: readonly Spec[] = [
  choice('material', 'Material', DEADENING_MATERIALS),
  number('thicknessMm', 'Thickness, mm', '2'),
  number('widthMm', 'Width, mm', '370'),
  number('lengthMm', 'Length, mm', '500'),
  knownNumber('massKgM2', 'Mass, kg/m²', '3.2'),
];

export const deadeningSheetEntry = goodsEntry(
  deadeningSheetSchema,
  specs,
  ({ material, thicknessMm }) => ({ material, thicknessMm }),
  ({ material, thicknessMm, widthMm, lengthMm, massKgM2 }) =>
    `${material} ${printed(thicknessMm)} mm, ${printed(widthMm)} × ${printed(lengthMm)} mm, ${massKgM2 === null ? 'mass not stated' : `${printed(massKgM2)} kg/m²`}`,
);
