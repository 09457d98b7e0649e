/** The shop's settings. */
import { z } from 'zod';
import type { FitRules } from '../fit/shapes';
import { SOURCE_HALF_WIDTHS_MM, SOURCE_IDS } from './source';

const clearanceMm = z.number().min(0).max(50);

/** Common thicknesses of board and plastic sheet (common practice, no source). */
const STOCK_DEFAULTS = [3, 5, 6, 9, 12, 15, 18].map((thicknessMm) => ({
  thicknessMm,
  halfWidthMm: 0.3,
  ringCostMinor: 1200 + 30 * thicknessMm,
}));

export const shopSchema = z.strictObject({
  name: z.string().min(1).max(80),
  /** ISO 4217. */
  currency: z.string().length(3),
  unit: z.enum(['mm', 'in']),
  /** Defaults from memory, for the shop to set. */
  clearancesMm: z.strictObject({
    glass: clearanceMm,
    metal: clearanceMm,
    wiring: clearanceMm.default(2),
    front: clearanceMm,
    hole: clearanceMm,
    terminal: clearanceMm.default(4),
  }),
  confidence: z.number().gt(0.5).lt(1),
  /** Sheet that rings are cut from, with what a ring costs in minor units of the currency, time included. */
  stock: z
    .array(
      z.strictObject({
        thicknessMm: z.number().positive().max(60),
        halfWidthMm: z.number().min(0).max(5).default(0.3),
        ringCostMinor: z.int().min(0),
      }),
    )
    .max(30)
    .default(() => [...STOCK_DEFAULTS]),
  /** Brackets and spacer together must not be higher. */
  mostRaisedMm: z.number().positive().max(150).default(45),
  /** What a return costs (freight, second visit) and a minute at the car, in minor units of the currency. */
  returnCostMinor: z.int().min(0).default(4500),
  minuteCostMinor: z.int().min(0).default(110),
  halfWidthsMm: z.record(z.enum(SOURCE_IDS), z.number().min(0).max(100)),
});

export type Shop = z.infer<typeof shopSchema>;

export const SHOP_DEFAULTS: Omit<Shop, 'name'> = {
  currency: 'EUR',
  unit: 'mm',
  clearancesMm: { glass: 5, metal: 4, wiring: 2, front: 3, hole: 1, terminal: 4 },
  confidence: 0.975,
  stock: STOCK_DEFAULTS,
  mostRaisedMm: 45,
  returnCostMinor: 4500,
  minuteCostMinor: 110,
  halfWidthsMm: SOURCE_HALF_WIDTHS_MM,
};

export function toFitRules({ clearancesMm, confidence, stock, mostRaisedMm }: Shop): FitRules {
  return { clearancesMm, confidence, stock, mostRaisedMm };
}
