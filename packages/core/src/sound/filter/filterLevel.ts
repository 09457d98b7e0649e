/**
 * How much a filter takes from what a driver plays, over frequency. A driver plays in proportion to its voltage, and what the car makes of it stays as it
 * is: by so much it is quieter at the amplifier's terminals and at every seat alike.
 */
import { bandOf } from '../bands';
import { type DriverRanges, driverAt, likelyDriver } from '../channel/electrics';
import { latticePlaces } from '../channel/lattice';
import type { Driver } from '../network/parts';
import type { LineFilter } from './LineFilter';
import { FILTER_HZ, voltageBehind } from './voltageBehind';

/** Against nothing in the line, dB. */
export type FilterLevel = { readonly frequenciesHz: Float64Array; readonly likelyDb: Float64Array };

/** With the band in which 95 in 100 such drivers lie, at each frequency by itself. */
export type FilterLevelBand = FilterLevel & { readonly lowerDb: Float64Array; readonly upperDb: Float64Array };

const DRAWS = 800;

/** What is likely: one solution, to follow a hand. */
export function filterLevel(filter: LineFilter, ranges: DriverRanges): FilterLevel {
  return { frequenciesHz: FILTER_HZ, likelyDb: levelOf(filter, likelyDriver(ranges)) };
}

/** By drawing over every figure of the driver; the draws are those of a lattice, the same each time. */
export function filterLevelBand(filter: LineFilter, ranges: DriverRanges): FilterLevelBand {
  const drawn = latticePlaces(5, DRAWS).map((at) =>
    levelOf(filter, driverAt(ranges, at as Parameters<typeof driverAt>[1])),
  );
  const { lower, upper } = bandOf(drawn);
  return { ...filterLevel(filter, ranges), lowerDb: lower, upperDb: upper };
}

function levelOf(filter: LineFilter, driver: Driver): Float64Array {
  return voltageBehind(filter, driver).sizes.map((size) => 20 * Math.log10(size));
}
