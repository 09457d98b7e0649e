/** The shop's settings. */
import { z } from 'zod';
import type { FitRules } from '../fit/shapes';
import { SOURCE_HALF_WIDTHS_MM, SOURCE_IDS } from './source';

const clearanceMm = z.number().min(0).max(50);

export const shopSchema = z.strictObject({
  name: z.string().min(1).max(80),
  /** ISO 4217. */
  currency: z.string().length(3),
  unit: z.enum(['mm', 'in']),
  /** Defaults from memory, for the shop to set. */
  clearancesMm: z.strictObject({ glass: clearanceMm, metal: clearanceMm, front: clearanceMm, hole: clearanceMm }),
  confidence: z.number().gt(0.5).lt(1),
  halfWidthsMm: z.record(z.enum(SOURCE_IDS), z.number().min(0).max(100)),
});

export type Shop = z.infer<typeof shopSchema>;

export const SHOP_DEFAULTS: Omit<Shop, 'name'> = {
  currency: 'EUR',
  unit: 'mm',
  clearancesMm: { glass: 5, metal: 4, front: 3, hole: 1 },
  confidence: 0.975,
  halfWidthsMm: SOURCE_HALF_WIDTHS_MM,
};

export function toFitRules({ clearancesMm, confidence }: Shop): FitRules {
  return { clearancesMm, confidence };
}
