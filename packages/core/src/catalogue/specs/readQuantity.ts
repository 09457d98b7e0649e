/** A number with or without the unit that it is asked in, such as `1.5`, `1,5 mm²`, `16 AWG`, `100 µF`. */
import { bareCell } from '../../cells';
import { fail, ok, type Result } from '../../result';
import { areaOfGaugeMm2 } from '../../wiring';

/** How a unit is written besides as itself; of each what one of it is. Common practice, no source. */
const WRITTEN: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  mm: { mm: 1, cm: 10 },
  m: { m: 1, metres: 1, meter: 1, mtr: 1, cm: 0.01 },
  'mm²': { 'mm²': 1, mm2: 1, sqmm: 1, qmm: 1 },
  A: { a: 1, amp: 1, amps: 1, ampere: 1 },
  V: { v: 1, volt: 1, volts: 1 },
  W: { w: 1, watt: 1, watts: 1 },
  Ω: { ω: 1, ohm: 1, ohms: 1, r: 1 },
  µF: { µf: 1, uf: 1, mfd: 1, nf: 0.001 },
  mH: { mh: 1, µh: 0.001, uh: 0.001 },
  Hz: { hz: 1, khz: 1000 },
  dB: { db: 1 },
  l: { l: 1, litres: 1, ltr: 1 },
  '°': { '°': 1, deg: 1 },
  '± %': { '%': 1 },
  '± mm': { mm: 1 },
  'kg/m²': { 'kg/m²': 1, 'kg/m2': 1 },
};

/**
 * @param unit as the label has it; empty for a bare number
 * @param example what would do
 */
export function readQuantity(text: string, unit: string, example: string): Result<number, string> {
  const refused = fail(`“${text.trim().slice(0, 20)}” was read. A number such as ${example} would do.`);
  const typed = bareCell(text)
    .toLowerCase()
    .replace('μ', 'µ')
    .replace('−', '-')
    .replace(/^(?:±|\+\/?-) ?(?=\d)/, '');
  const gauge = unit === 'mm²' ? /^(?:awg ?(\d{1,2})|(\d{1,2}) ?awg)$/.exec(typed) : null;
  if (gauge) return ok(Number(areaOfGaugeMm2(Number(gauge[1] ?? gauge[2])).toPrecision(3)));
  const [, figures, written = ''] = /^(-?\d+(?:[.,]\d+)?) ?(\S*)$/.exec(typed) ?? [];
  if (figures === undefined) return refused;
  const factor = written === '' ? 1 : WRITTEN[unit]?.[written];
  if (factor === undefined) return refused;
  return ok(Number((Number(figures.replace(',', '.')) * factor).toPrecision(12)));
}
