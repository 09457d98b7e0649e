/** What a stack gains in front and loses behind against the mount that came off, or the other way round. */

import type { FitLayer } from '@low-quarry/core/fit';
import { raisedMm } from '@low-quarry/core/fit';
import { READS_SAME_MM } from '@low-quarry/core/math';
import { meanMm, type OpeningRecord } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { printLength } from '@low-quarry/core/units';

/** @returns null where nobody noted how far the old mount stood in front of the metal */
export function againstOldMount(
  { oldMount }: OpeningRecord['faces'],
  layers: readonly FitLayer[],
  unit: LengthUnit,
): string | null {
  if (!oldMount) return null;
  const oldMm = meanMm(oldMount);
  const gainedMm = oldMm - raisedMm(layers);
  const against = `Against the old mount, ${printLength(oldMm, unit)} in front of the metal`;
  if (Math.abs(gainedMm) < READS_SAME_MM)
    return `${against}, nothing is gained or lost: this stack stands where it stood.`;
  const by = printLength(Math.abs(gainedMm), unit);
  return gainedMm > 0
    ? `${against}: ${by} are gained in front, and lost behind.`
    : `${against}: ${by} are lost in front, and gained behind.`;
}
