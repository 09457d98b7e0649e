/** What of an amplifier's voltage reaches a driver behind what lies in its line. */
import { SOURCE } from '../channel/channelNetwork';
import type { Driver, NetworkPart } from '../network/parts';
import { audibleFrequencies, type ComplexColumn, GROUND, solveNetwork } from '../network/solveNetwork';
import { type LineFilter, lineParts } from './LineFilter';

/** 12 to the octave: enough to draw, and a corner between two of them is found by a straight line. */
export const FILTER_HZ = audibleFrequencies(12);
/** What the parts of the line are called begins with this. */
export const LINE = 'line';
const CONE = 'cone';

export type VoltageBehind = {
  /** Of the driver's voltage to the amplifier's, at each frequency. */
  readonly sizes: Float64Array;
  /** Across each part by its name, for 1 V of the amplifier. */
  readonly across: ReadonlyMap<string, ComplexColumn>;
};

/** @param frequenciesHz ascending, above 0 */
export function voltageBehind(filter: LineFilter, driver: Driver, frequenciesHz = FILTER_HZ): VoltageBehind {
  const cone: NetworkPart = { id: CONE, from: 'at cone', to: GROUND, kind: 'driver', driver };
  const line = lineParts(filter, { id: LINE, from: SOURCE, to: 'at cone', ground: GROUND });
  const solved = solveNetwork(line.length === 0 ? [{ ...cone, from: SOURCE }] : [...line, cone], SOURCE, frequenciesHz);
  if (!solved.ok) throw new Error(`voltageBehind: expected a network that can be solved, got: ${solved.failure}`);
  const { across } = solved.value;
  const at = across.get(CONE) as ComplexColumn;
  return { across, sizes: frequenciesHz.map((_, each) => Math.hypot(at.re[each] as number, at.im[each] as number)) };
}
