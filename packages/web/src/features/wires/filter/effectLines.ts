/** What a filter really does, in words. */
import { exactHz, type FilterEffect, type Likely, type LineFilter, peakVolts } from '@low-quarry/core/sound';

/**
 * @param nominalOhm null where nobody says
 * @param watt RMS power of the channel; null where nobody says
 */
export function effectLines(
  filter: LineFilter,
  { highPassHz, lowPassHz, levelDb, heatRatios }: FilterEffect,
  nominalOhm: number | null,
  watt: number | null,
): readonly string[] {
  const lines: string[] = [];
  const byNominal = nominalOhm === null ? null : exactHz(filter, nominalOhm);
  if (filter.highPass) lines.push(cornerLine('Passes from', highPassHz, byNominal?.highPass ?? null, nominalOhm));
  if (filter.lowPass) lines.push(cornerLine('Passes up to', lowPassHz, byNominal?.lowPass ?? null, nominalOhm));
  lines.push(
    `Where it passes: ${decibels(levelDb.likely)} dB (${decibels(levelDb.lower)} to ${decibels(levelDb.upper)}) against nothing in the line.`,
  );
  if (filter.pad && watt === null)
    lines.push('How hot its resistors get follows from the RMS power, and nobody says that.');
  if (filter.pad && watt !== null)
    for (const { name, ratio } of heatRatios)
      lines.push(
        `At ${watt} W RMS the ${name === 'seriesOhm' ? filter.pad.seriesOhm : filter.pad.parallelOhm} Ω ${name === 'seriesOhm' ? 'in the line' : 'across'} turns ${watts(ratio * watt)} W into heat.`,
      );
  const hasCapacitor = filter.highPass !== null || (filter.lowPass !== null && filter.lowPass.capacitorUf !== null);
  if (hasCapacitor && watt !== null && nominalOhm !== null)
    lines.push(`Its capacitor: for both directions, ${Math.ceil(peakVolts(watt, nominalOhm))} V or more.`);
  return lines;
}

function cornerLine(says: string, corner: Likely | null, byNominal: number | null, nominalOhm: number | null): string {
  if (corner === null) return `${says}: at no frequency that can be heard is half of the power gone.`;
  const { likely, lower, upper } = corner;
  const nominal = byNominal === null ? '' : ` By ${nominalOhm} Ω alone it would be ${hertz(byNominal)}.`;
  return `${says} ${hertz(likely)} (${hertz(lower)} to ${hertz(upper)}), where half of the power is gone.${nominal}`;
}

/** A corner is known by two figures. */
function hertz(hz: number): string {
  if (hz === 0) return 'below 20 Hz';
  if (hz === Number.POSITIVE_INFINITY) return 'above 20 kHz';
  const rounded = Number(hz.toPrecision(2));
  return rounded >= 1000 ? `${rounded / 1000} kHz` : `${rounded} Hz`;
}

function decibels(db: number): string {
  const rounded = Math.round(db * 10) / 10;
  return rounded < 0 ? `−${Math.abs(rounded).toFixed(1)}` : rounded.toFixed(1);
}

function watts(watt: number): string {
  return watt >= 10 ? String(Math.round(watt)) : watt.toFixed(1);
}
