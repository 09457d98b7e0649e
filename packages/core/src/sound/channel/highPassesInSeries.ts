/** High-passes that stand one behind the other before a driver: where each alone begins to let pass, and where all of them together do. */
import { type ComplexColumn, solveNetwork } from '../network/solveNetwork';
import { type ChannelLoad, channelLadders, driverId, SOURCE, USUAL_FARAD } from './channelNetwork';
import type { Between } from './electrics';

/** Whose it is: the capacitor or filter in its lead, the output of its crossover, what this job puts into its line. */
export type HighPassOf = 'lead' | 'crossover' | 'line';

export type HighPassesInSeries = {
  /** Where each is 3 dB down alone, Hz. */
  readonly alone: readonly { readonly of: HighPassOf; readonly hz: Between }[];
  /** Where all of them are together, Hz. */
  readonly together: Between;
  /** What they end in, Ω: what is printed on the driver. */
  readonly ohm: number;
};

/** Those that somebody saw; what nobody looked at may be one more (`unlookedOf`). */
export function highPassesOf({ before, line, crossover }: ChannelLoad): readonly HighPassOf[] {
  const isLeads = before.kind === 'capacitor' || (before.kind === 'filter' && before.highPass !== null);
  return [
    ...(crossover?.filter?.highPass ? (['crossover'] as const) : []),
    ...(line?.highPass ? (['line'] as const) : []),
    ...(isLeads ? (['lead'] as const) : []),
  ];
}

/** Where another may stand, because nobody looked. */
export function unlookedOf({ before, crossover }: ChannelLoad): readonly HighPassOf[] {
  return [
    ...(crossover?.filter === null ? (['crossover'] as const) : []),
    ...(before.kind === 'notLooked' ? (['lead'] as const) : []),
  ];
}

/**
 * Into a resistance of the nominal value, as their makers reckon: of first order the corners add, for 1/C does; of higher orders they load one
 * another, and the network is solved. A capacitor that nobody read has any of the usual values.
 *
 * @returns null where fewer than two stand there, or nothing is printed on the driver
 */
export function highPassesInSeries(load: ChannelLoad): HighPassesInSeries | null {
  const there = highPassesOf(load);
  const ohm = load.electrics.nominalOhm;
  if (there.length < 2 || ohm === null) return null;
  return {
    alone: there.map((of) => ({ of, hz: cornerOf(only(load, [of]), ohm) })),
    together: cornerOf(only(load, there), ohm),
    ohm,
  };
}

/** Without what lets the bass pass, and pads: where the treble begins is what is asked. */
function only({ before, line, crossover, ...load }: ChannelLoad, of: readonly HighPassOf[]): ChannelLoad {
  const highPass = crossover?.filter?.highPass ?? null;
  return {
    ...load,
    before: !of.includes('lead')
      ? { kind: 'nothing' }
      : before.kind === 'filter'
        ? { ...before, lowPass: null }
        : before,
    line: line && of.includes('line') ? { ...line, lowPass: null, pad: null } : null,
    // Each as it is printed: none is evened out for a resistance.
    crossover:
      crossover && of.includes('crossover')
        ? { ...crossover, isOfSet: false, filter: { highPass, lowPass: null } }
        : null,
  };
}

function cornerOf(load: ChannelLoad, ohm: number): Between {
  const hz = [USUAL_FARAD.least, USUAL_FARAD.most].map((farad) => cornerHz(load, ohm, farad));
  return { least: Math.min(...hz), most: Math.max(...hz) };
}

/** Sought from the top down, so that a hump of several filters hides nothing. */
const HIGHEST_HZ = 200_000;
const LOWEST_HZ = 1;
const STEP = 2 ** (1 / 12);
/** Of a twelfth of an octave, to a millionth of it. */
const HALVINGS = 20;

/** The highest frequency at which half of the power comes through, Hz. */
function cornerHz(load: ChannelLoad, ohm: number, farad: number): number {
  const driver = { coilOhm: ohm, coilHenry: 0, resonance: null };
  const [parts = []] = channelLadders([{ load }], [driver], 'parallel', [{ farad, isThere: true }]);
  const passedAt = (hz: number): number => {
    const solved = solveNetwork(parts, SOURCE, Float64Array.of(hz));
    if (!solved.ok)
      throw new Error(`highPassesInSeries: expected a network that can be solved, got: ${solved.failure}`);
    const { re, im } = solved.value.across.get(driverId(0)) as ComplexColumn;
    return Math.hypot(re[0] as number, im[0] as number);
  };
  let above = HIGHEST_HZ;
  while (above > LOWEST_HZ && passedAt(above / STEP) > Math.SQRT1_2) above /= STEP;
  let below = above / STEP;
  for (let step = 0; step < HALVINGS; step++) {
    const middle = Math.sqrt(above * below);
    if (passedAt(middle) > Math.SQRT1_2) above = middle;
    else below = middle;
  }
  return above;
}
