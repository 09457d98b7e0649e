/** Sheet stock that rings, plates and pod bases are cut from. */
import { z } from 'zod';
import { goodsEntry } from '../goods';
import { orderable } from '../orderable';
import { choice, number, type Spec } from '../specs/Spec';
import { printed } from '../words/figures';
import { apart } from '../words/partWords';

export const SHEET_MATERIALS = ['plywood', 'fibreboard', 'hardFoam', 'plastic', 'aluminium', 'steel'] as const;

export const sheetStockSchema = z.strictObject({
  kind: z.literal('sheet'),
  ...orderable,
  material: z.enum(SHEET_MATERIALS),
  thicknessMm: z.number().positive().max(60),
  widthMm: z.number().positive().max(4000),
  lengthMm: z.number().positive().max(4000),
});

const specs: readonly Spec[] = [
  choice('material', 'Material', SHEET_MATERIALS),
  number('thicknessMm', 'Thickness, mm', '12'),
  number('widthMm', 'Width, mm', '500'),
  number('lengthMm', 'Length, mm', '1000'),
];

export const sheetEntry = goodsEntry(
  sheetStockSchema,
  specs,
  ({ material, thicknessMm }) => ({ material, thicknessMm }),
  ({ material, thicknessMm, widthMm, lengthMm }) =>
    `${apart(material)} ${printed(thicknessMm)} mm, ${printed(widthMm)} × ${printed(lengthMm)} mm`,
);
