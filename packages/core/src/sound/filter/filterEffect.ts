/**
 * What a filter really does before a driver that is no resistance: where its corner comes to lie, how much quieter the driver plays, what each
 * resistor turns into heat, and what voltage a capacitor has to stand. By drawing over every figure of the driver that is not known exactly.
 */
import { spreadOf } from '../bands';
import { type DriverRanges, driverAt, likelyDriver } from '../channel/electrics';
import { latticePlaces } from '../channel/lattice';
import type { Driver } from '../network/parts';
import type { ComplexColumn } from '../network/solveNetwork';
import { type LineFilter, padParallelId, padSeriesId } from './LineFilter';
import { FILTER_HZ, LINE, voltageBehind } from './voltageBehind';

/** What is likely, and where 95 in 100 such drivers lie; of a corner 0 is below what can be heard, and infinity above it. */
export type Likely = { readonly likely: number; readonly lower: number; readonly upper: number };

export type FilterEffect = {
  /** Where coils and capacitors take away half of the power; null where they do so at no frequency that can be heard, or there are none. */
  readonly highPassHz: Likely | null;
  readonly lowPassHz: Likely | null;
  /** Within what passes, the driver's voltage to the amplifier's, dB: a pad's and a filter's together. */
  readonly levelDb: Likely;
  /** There, of what the amplifier gives into the nominal value, the share that each resistor turns into heat. */
  readonly heatRatios: readonly { readonly name: 'seriesOhm' | 'parallelOhm'; readonly ratio: number }[];
};

const DRAWS = 200;
const HALF_POWER = Math.SQRT1_2;
/** What passes is looked at two octaves from a corner, and at 1 kHz where there is none. */
const INSIDE = 4;
const USUAL_HZ = 1000;

/**
 * @param ranges the driver's circuit
 * @param nominalOhm what the amplifier's power is said for; above 0
 */
export function filterEffect(filter: LineFilter, ranges: DriverRanges, nominalOhm: number): FilterEffect {
  const likely = responseOf(filter, likelyDriver(ranges));
  const drawn = latticePlaces(5, DRAWS).map((at) => responseOf(filter, driverAt(ranges, at as DriverPlace)));
  const across = (read: (response: Response) => number): Likely => {
    const own = read(likely);
    const { lower, upper } = spreadOf(Float64Array.from(drawn, read).sort());
    return { likely: own, lower: Math.min(own, lower), upper: Math.max(own, upper) };
  };
  const corner = (read: (response: Response) => number | null): Likely | null =>
    heard(read(likely)) === null ? null : across((response) => read(response) as number);
  return {
    highPassHz: corner(({ lowHz }) => lowHz),
    lowPassHz: corner(({ highHz }) => highHz),
    levelDb: across(({ sizes, insideAt }) => 20 * Math.log10(sizes[insideAt] as number)),
    heatRatios: heatOf(filter, likely, nominalOhm),
  };
}

type DriverPlace = Parameters<typeof driverAt>[1];

type Response = {
  /** Of the amplifier's voltage at the driver, at each frequency. */
  readonly sizes: Float64Array;
  readonly insideAt: number;
  readonly lowHz: number | null;
  readonly highHz: number | null;
  readonly across: ReadonlyMap<string, ComplexColumn>;
};

function responseOf(filter: LineFilter, driver: Driver): Response {
  const { sizes, across } = voltageBehind(filter, driver);
  // A pad is no filter: what it takes away it takes away everywhere.
  const alone = filter.pad ? voltageBehind({ ...filter, highPass: null, lowPass: null }, driver).sizes : null;
  const shares = alone ? sizes.map((size, at) => size / (alone[at] as number)) : sizes;
  const lowHz = filter.highPass ? crossing(shares, 'down') : null;
  const highHz = filter.lowPass ? crossing(shares, 'up') : null;
  return { sizes, across, lowHz, highHz, insideAt: nearestAt(insideHz(lowHz, highHz)) };
}

function insideHz(low: number | null, high: number | null): number {
  const [lowHz, highHz] = [heard(low), heard(high)];
  if (lowHz !== null && highHz !== null) return Math.sqrt(lowHz * highHz);
  if (lowHz !== null) return INSIDE * lowHz;
  return highHz === null ? USUAL_HZ : highHz / INSIDE;
}

function heard(hz: number | null): number | null {
  return hz === 0 || hz === Number.POSITIVE_INFINITY ? null : hz;
}

function nearestAt(hz: number): number {
  const at = FILTER_HZ.findIndex((each) => each >= hz);
  return at < 0 ? FILTER_HZ.length - 1 : at;
}

/**
 * Where half of the power is gone, coming from what passes: down from the highest frequency, or up from the lowest; between two frequencies
 * as a straight line of their logarithms. Where it is gone from the beginning, or nowhere, the corner lies beyond what can be heard: 0 or infinity.
 */
function crossing(shares: Float64Array, way: 'down' | 'up'): number {
  const beyond = way === 'up' ? [0, Number.POSITIVE_INFINITY] : [Number.POSITIVE_INFINITY, 0];
  const step = way === 'up' ? 1 : -1;
  const first = way === 'up' ? 0 : shares.length - 1;
  if ((shares[first] as number) < HALF_POWER) return beyond[0] as number;
  for (let at = first + step; at >= 0 && at < shares.length; at += step) {
    if ((shares[at] as number) >= HALF_POWER) continue;
    const [inside, outside] = [Math.log(shares[at - step] as number), Math.log(shares[at] as number)];
    const share = (inside - Math.log(HALF_POWER)) / (inside - outside);
    const [a, b] = [Math.log(FILTER_HZ[at - step] as number), Math.log(FILTER_HZ[at] as number)];
    return Math.exp(a + share * (b - a));
  }
  return beyond[1] as number;
}

function heatOf({ pad }: LineFilter, { across, insideAt }: Response, nominalOhm: number): FilterEffect['heatRatios'] {
  if (!pad) return [];
  const heat = (name: 'seriesOhm' | 'parallelOhm', id: string, ohm: number) => {
    const { re, im } = across.get(id) as ComplexColumn;
    return { name, ratio: (Math.hypot(re[insideAt] as number, im[insideAt] as number) ** 2 / ohm) * nominalOhm };
  };
  return [
    heat('seriesOhm', padSeriesId(LINE), pad.seriesOhm),
    ...(pad.parallelOhm === null ? [] : [heat('parallelOhm', padParallelId(LINE), pad.parallelOhm)]),
  ];
}

/** The corners before one driver that is known exactly, Hz: 0 below what can be heard, and infinity above it or where there is no such filter. */
export function filterResponse(
  filter: LineFilter,
  ranges: DriverRanges,
): { readonly highPassHz: number; readonly lowPassHz: number } {
  const { lowHz, highHz } = responseOf(filter, likelyDriver(ranges));
  return { highPassHz: lowHz ?? 0, lowPassHz: highHz ?? Number.POSITIVE_INFINITY };
}

/** The highest voltage of a sine of so many watts into so many ohms, V: what a capacitor in the line has to stand at the least. */
export function peakVolts(watt: number, ohm: number): number {
  return Math.sqrt(2 * watt * ohm);
}
