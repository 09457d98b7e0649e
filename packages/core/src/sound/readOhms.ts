/**
 * Readings of an ohmmeter as they are typed from its display: with their prefix, several of one speaker, or that it shows none. A figure
 * without its prefix is what the display says in ohms; "7 M" is seven million of them, and no 7.
 */
import { fail, ok, type Result } from '../result';

/** What one touch of the probes showed. `over` is a display that shows no figure: "OL", "1 .", "open". */
export type OhmReading = { readonly kind: 'ohm'; readonly ohm: number } | { readonly kind: 'over' };

export const MOST_OHM_READINGS = 12;
/** A meter's highest range: more is a slip. */
const MOST_OHM = 1e9;
const PREFIXES: Readonly<Record<string, number>> = { '': 1, m: 1e-3, k: 1e3, M: 1e6 };
const OVER = /^(ol|o\.l\.|0l|open|over|∞|inf)$/i;
const READING = /^(\d+(?:[.,]\d+)?)\s*(m|k|K|M|meg|mega|kilo|milli)?\s*(?:Ω|Ω|ohms?)?$/;
const LONG_PREFIXES: Readonly<Record<string, string>> = { K: 'k', meg: 'M', mega: 'M', kilo: 'k', milli: 'm' };

/**
 * Reads "3.4; 3,5 Ω; 3.4", "7 M", "OL".
 *
 * @returns the readings in the order typed, none for an empty text; or what was read and what is expected
 */
export function readOhms(text: string): Result<readonly OhmReading[], string> {
  const parts = text
    .split(/[;\n]|,\s+/)
    .map((part) => part.trim())
    .filter(Boolean);
  if (parts.length > MOST_OHM_READINGS)
    return fail(`${parts.length} readings were read; at most ${MOST_OHM_READINGS} of one speaker are kept.`);
  const readings: OhmReading[] = [];
  for (const part of parts) {
    const reading = readOne(part);
    if (!reading)
      return fail(
        `“${part.slice(0, 20)}” was not understood. Type what the meter shows, such as 3.4, 0.9 k, 7 M or OL.`,
      );
    readings.push(reading);
  }
  return ok(readings);
}

function readOne(part: string): OhmReading | null {
  if (OVER.test(part)) return { kind: 'over' };
  const [, figure, prefix = ''] = READING.exec(part) ?? [];
  if (figure === undefined) return null;
  const factor = PREFIXES[LONG_PREFIXES[prefix] ?? prefix] ?? 1;
  const ohm = Number(figure.replace(',', '.')) * factor;
  return ohm <= MOST_OHM ? { kind: 'ohm', ohm } : null;
}
