import type { Measurement } from '@low-quarry/core/model';
import { shopDay } from '../../text/shopDays';

/** "Rieke, Fri 20.11.2026", in the shop's order of a day; null for what nobody here took. */
export function takenWords(measurement: Measurement | undefined): string | null {
  if (!measurement?.takenBy) return null;
  return measurement.takenAt ? `${measurement.takenBy}, ${shopDay(measurement.takenAt)}` : measurement.takenBy;
}
