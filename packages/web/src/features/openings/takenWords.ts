import type { Measurement } from '@low-quarry/core/model';

/** "Rieke, 20/11/2026"; null for what nobody here took. */
export function takenWords(measurement: Measurement | undefined): string | null {
  if (!measurement?.takenBy) return null;
  const day = measurement.takenAt ? `, ${new Date(measurement.takenAt).toLocaleDateString('en-GB')}` : '';
  return `${measurement.takenBy}${day}`;
}
