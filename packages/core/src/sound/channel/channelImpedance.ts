/**
 * What a channel's amplifier sees, with its doubt. How far the least impedance may be off follows from how far each driver may be: for a
 * network of passive two-poles the input admittance changes by the square of the voltage across a part times the change of that part's own
 * admittance (Tellegen's theorem; Director and Rohrer, The Generalized Adjoint Network, IEEE Trans. Circuit Theory 1969, from memory), so
 * that one solution gives the share of every driver.
 */
import type { NetworkPart } from '../network/parts';
import { admittance, type Complex } from '../network/parts';
import { audibleFrequencies, type ComplexColumn, type Solved, solveNetwork } from '../network/solveNetwork';
import { channelParts, driverId, type Joined, type KnownLoad, SOURCE } from './channelNetwork';
import { driverAt, likelyDriver, relativeUncertainty } from './electrics';

export type LeastImpedance = {
  readonly ohm: number;
  readonly hz: number;
  /** Standard, of `ohm`. */
  readonly uncertaintyOhm: number;
};

/** 24 to the octave: a notch of a second-order filter is not missed. */
const FREQUENCIES = audibleFrequencies(24);

/**
 * @param loads at least one
 * @param takes of what nobody has looked at, whether a capacitor is taken to be there
 */
export function leastChannelImpedance(
  loads: readonly KnownLoad[],
  joined: Joined,
  takes: 'capacitor' | 'nothing',
): LeastImpedance {
  const parts = channelParts(
    loads,
    loads.map(({ ranges }) => likelyDriver(ranges)),
    joined,
    takes,
  );
  const solved = solvedOf(parts, FREQUENCIES);
  const { re, im } = solved.impedance;
  let at = 0;
  for (let each = 1; each < FREQUENCIES.length; each++) if (sizeAt(re, im, each) < sizeAt(re, im, at)) at = each;
  const shares = loads.map(({ ranges }, each) => {
    const part = parts.find(({ id }) => id === driverId(each)) as NetworkPart;
    const across = solved.across.get(part.id) as ComplexColumn;
    return slopeOf(part, across, solved, at) * relativeUncertainty(ranges.coilOhm);
  });
  return { ohm: sizeAt(re, im, at), hz: FREQUENCIES[at] as number, uncertaintyOhm: Math.hypot(...shares) };
}

/** By how much |Z| changes where the part's impedance is one whole larger, Ω. */
function slopeOf(part: NetworkPart, across: ComplexColumn, { impedance }: Solved, at: number): number {
  admittance(part, 2 * Math.PI * (FREQUENCIES[at] as number), Y);
  const v = complexAt(across, at);
  const z = complexAt(impedance, at);
  // dZ = Z² V² Y, and of |Z| what of it points along Z.
  const change = times(times(z, z), times(times(v, v), Y));
  return (change.re * z.re + change.im * z.im) / Math.hypot(z.re, z.im);
}

const Y: Complex = { re: 0, im: 0 };

export type ImpedanceBand = {
  readonly frequenciesHz: Float64Array;
  /** Of |Z|, Ω: what is likely, and where 95 in 100 lie. */
  readonly likelyOhm: Float64Array;
  readonly lowerOhm: Float64Array;
  readonly upperOhm: Float64Array;
};

/** So many channels are made of the ranges, and what 2.5 in 100 of them go beyond on each side is left out. */
const DRAWS = 2000;
const BEYOND = 0.025;
const FIGURES_A_DRIVER = 5;
/** 12 to the octave: enough to draw. */
const DRAWN = audibleFrequencies(12);

/**
 * The channel's impedance over frequency with the band in which 95 in 100 of such channels lie, at each frequency by itself: by drawing, for
 * a resonance that may be anywhere is no small change. The draws are those of a lattice, the same for the same loads, and cover the ranges evenly.
 */
export function impedanceBand(
  loads: readonly KnownLoad[],
  joined: Joined,
  takes: 'capacitor' | 'nothing',
): ImpedanceBand {
  const likely = sizes(
    solvedOf(
      channelParts(
        loads,
        loads.map(({ ranges }) => likelyDriver(ranges)),
        joined,
        takes,
      ),
      DRAWN,
    ),
  );
  const steps = latticeSteps(loads.length * FIGURES_A_DRIVER);
  const drawn = Array.from({ length: DRAWS }, (_, draw) => {
    const drivers = loads.map(({ ranges }, each) => {
      const place = (figure: number) => (0.5 + (draw + 1) * (steps[each * FIGURES_A_DRIVER + figure] as number)) % 1;
      return driverAt(ranges, [place(0), place(1), place(2), place(3), place(4)]);
    });
    return sizes(solvedOf(channelParts(loads, drivers, joined, takes), DRAWN));
  });
  const lowerOhm = new Float64Array(DRAWN.length);
  const upperOhm = new Float64Array(DRAWN.length);
  const column = new Float64Array(DRAWS);
  for (let at = 0; at < DRAWN.length; at++) {
    for (let draw = 0; draw < DRAWS; draw++) column[draw] = (drawn[draw] as Float64Array)[at] as number;
    column.sort();
    lowerOhm[at] = column[Math.floor(BEYOND * DRAWS)] as number;
    upperOhm[at] = column[Math.ceil((1 - BEYOND) * DRAWS) - 1] as number;
  }
  return { frequenciesHz: DRAWN, likelyOhm: likely, lowerOhm, upperOhm };
}

/**
 * Steps that fill so many dimensions evenly: the powers of the root of x^(d+1) = x + 1.
 *
 * @see Roberts, The Unreasonable Effectiveness of Quasirandom Sequences, 2018 (from memory)
 */
function latticeSteps(dimensions: number): readonly number[] {
  let root = 1.5;
  for (let step = 0; step < 40; step++) root = (1 + root) ** (1 / (dimensions + 1));
  return Array.from({ length: dimensions }, (_, at) => root ** -(at + 1));
}

function solvedOf(parts: readonly NetworkPart[], frequenciesHz: Float64Array): Solved {
  const solved = solveNetwork(parts, SOURCE, frequenciesHz);
  if (!solved.ok) throw new Error(`channelImpedance: expected a network that can be solved, got: ${solved.failure}`);
  return solved.value;
}

function sizes({ impedance: { re, im } }: Solved): Float64Array {
  return re.map((_, at) => sizeAt(re, im, at));
}

function sizeAt(re: Float64Array, im: Float64Array, at: number): number {
  return Math.hypot(re[at] as number, im[at] as number);
}

function complexAt({ re, im }: ComplexColumn, at: number): Complex {
  return { re: re[at] as number, im: im[at] as number };
}

function times(a: Complex, b: Complex): Complex {
  return { re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re };
}
