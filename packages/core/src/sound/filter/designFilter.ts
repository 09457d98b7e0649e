/**
 * Designs what is put before a driver: from a corner, an order and a number of decibels to parts that are made.
 *
 * First order: C = 1 / (2π f R), L = R / (2π f). Second order as Butterworth ends at a resistance: √2 and 1/√2 of these (`ladder`). A pad of
 * a decibels keeps R as the load: in the line R (1 − k), across the driver R k / (1 − k), with k = 10^(−a/20).
 */
import { highPassParts, lowPassParts } from '../channel/ladder';
import type { NetworkPart } from '../network/parts';
import { type ESeries, nearestOf } from './eSeries';
import type { LineFilter } from './LineFilter';

export type FilterOrder = 1 | 2;
export type FilterCorner = { readonly hz: number; readonly order: FilterOrder };
export type FilterAsked = {
  readonly highPass: FilterCorner | null;
  readonly lowPass: FilterCorner | null;
  /** By how much quieter, dB; 0 for no pad. */
  readonly padDb: number;
};

/** Capacitors and coils are sold by E12, resistors by E24 (common practice, no source). */
const REACTIVE: ESeries = 12;
const RESISTIVE: ESeries = 24;

/** @param ohm what it is made for: the driver's nominal value; above 0 */
export function exactFilter({ highPass, lowPass, padDb }: FilterAsked, ohm: number): LineFilter {
  if (!(ohm > 0)) throw new Error(`exactFilter: expected ohms above 0, got ${ohm}`);
  const kept = 10 ** (-padDb / 20);
  return {
    highPass: highPass && highOf(valuesOf(highPassParts(ladderOf(ohm), highPass))),
    lowPass: lowPass && lowOf(valuesOf(lowPassParts(ladderOf(ohm), lowPass))),
    pad: padDb > 0 ? { seriesOhm: ohm * (1 - kept), parallelOhm: (ohm * kept) / (1 - kept) } : null,
  };
}

/** The same of the nearest parts that are made. */
export function madeFilter(asked: FilterAsked, ohm: number): LineFilter {
  const { highPass, lowPass, pad } = exactFilter(asked, ohm);
  const reactive = (value: number) => nearestOf(REACTIVE, value);
  const resistive = (value: number) => nearestOf(RESISTIVE, value);
  return {
    highPass: highPass && {
      capacitorUf: reactive(highPass.capacitorUf),
      coilMh: highPass.coilMh === null ? null : reactive(highPass.coilMh),
    },
    lowPass: lowPass && {
      coilMh: reactive(lowPass.coilMh),
      capacitorUf: lowPass.capacitorUf === null ? null : reactive(lowPass.capacitorUf),
    },
    pad: pad && {
      seriesOhm: resistive(pad.seriesOhm),
      parallelOhm: pad.parallelOhm === null ? null : resistive(pad.parallelOhm),
    },
  };
}

function ladderOf(ohm: number) {
  return { id: '', from: 'in', to: 'out', ground: '0', ohm } as const;
}

/** In µF and mH, as they are sold, from the amplifier on. */
function valuesOf(parts: readonly NetworkPart[]): readonly [number, number | null] {
  const [first, second] = parts.map((part) =>
    part.kind === 'capacitor' ? part.farad * 1e6 : part.kind === 'coil' ? part.henry * 1e3 : Number.NaN,
  );
  return [first as number, second ?? null];
}

function highOf([capacitorUf, coilMh]: readonly [number, number | null]) {
  return { capacitorUf, coilMh };
}

function lowOf([coilMh, capacitorUf]: readonly [number, number | null]) {
  return { coilMh, capacitorUf };
}

/**
 * Where half of the power would be gone, were the driver a resistance: of first order f = 1 / (2π R C) and R / (2π L); of second order the
 * corner is told by both parts, f = 1 / (2π √(L C)).
 */
export function exactHz(
  { highPass, lowPass }: LineFilter,
  ohm: number,
): { readonly highPass: number | null; readonly lowPass: number | null } {
  const resonance = (farad: number, henry: number) => 1 / (2 * Math.PI * Math.sqrt(farad * henry));
  const [farad, henry] = [(uf: number) => uf * 1e-6, (mh: number) => mh * 1e-3];
  return {
    highPass:
      highPass &&
      (highPass.coilMh === null
        ? 1 / (2 * Math.PI * ohm * farad(highPass.capacitorUf))
        : resonance(farad(highPass.capacitorUf), henry(highPass.coilMh))),
    lowPass:
      lowPass &&
      (lowPass.capacitorUf === null
        ? ohm / (2 * Math.PI * henry(lowPass.coilMh))
        : resonance(farad(lowPass.capacitorUf), henry(lowPass.coilMh))),
  };
}
