/** What the Wire screen and its sheet say of a crossover. */
import type { CrossoverCheckId } from '@low-quarry/core/sound';

export const CROSSOVER_CHECK_WORDS: Readonly<Record<CrossoverCheckId, string>> = {
  input: 'Fed by',
  outputs: 'Outputs',
  filters: 'Filters',
  leads: 'Leads',
  place: 'Place',
};

/** "+4.0 ± 1.9 mm"; what is left is told down, and its doubt up. */
export function mmMarginWords({ mm, expandedMm }: { readonly mm: number; readonly expandedMm: number }): string {
  const left = Math.floor(mm * 10 + ROUNDING) / 10;
  return `${left < 0 ? '−' : '+'}${Math.abs(left).toFixed(1)} ± ${(Math.ceil(expandedMm * 10 - ROUNDING) / 10).toFixed(1)} mm`;
}

/** An arrangement is found to less than this, in tenths of a mm. */
const ROUNDING = 0.02;
