/**
 * What a channel's amplifier sees, and what of its voltage reaches each part: nodal analysis at every frequency asked for.
 *
 * @see Ho, Ruehli and Brennan, The Modified Nodal Approach to Network Analysis, IEEE Trans. CAS 1975 (from memory); the only source is an
 *   ideal one between two nodes, so that its node is known and the plain nodal equations remain
 */
import { fail, ok, type Result } from '../../result';
import { admittance, type Complex, type NetworkPart, partFault } from './parts';

/** The amplifier's other terminal. */
export const GROUND = '0';

export type ComplexColumn = { readonly re: Float64Array; readonly im: Float64Array };
export type Solved = {
  readonly frequenciesHz: Float64Array;
  /** Between the source and ground, Ω. */
  readonly impedance: ComplexColumn;
  /** Of each part the voltage from its first end to its second, for one volt of the source. */
  readonly across: ReadonlyMap<string, ComplexColumn>;
};

/** S. A coil and a capacitor without any loss may cancel each other at a node: so little is left of them then. */
const LEAST_PIVOT = 1e-14;

/**
 * @param source the node that the amplifier drives against `GROUND`
 * @param frequenciesHz each above 0
 * @returns a fault in words, with the part or the node that it is about
 */
export function solveNetwork(
  parts: readonly NetworkPart[],
  source: string,
  frequenciesHz: Float64Array,
): Result<Solved, string> {
  const fault = faultOf(parts, source);
  if (fault) return fail(fault);
  const nodes = new Nodes(parts, source);
  const system = new NodalSystem(nodes.count);
  const count = frequenciesHz.length;
  const impedance = newColumn(count);
  const across = new Map(parts.map(({ id }) => [id, newColumn(count)]));
  for (let at = 0; at < count; at++) {
    const omega = 2 * Math.PI * (frequenciesHz[at] as number);
    system.clear();
    for (const [each, part] of parts.entries()) {
      admittance(part, omega, Y);
      system.add(nodes.from[each] as number, nodes.to[each] as number, Y);
    }
    const { re, im } = system.solve();
    // What flows out of the source is what flows through its parts.
    invertInto(impedance, at, re, im);
    for (const [each, { id }] of parts.entries()) {
      const column = across.get(id) as ComplexColumn;
      system.difference(nodes.from[each] as number, nodes.to[each] as number, Y);
      column.re[at] = Y.re;
      column.im[at] = Y.im;
    }
  }
  return ok({ frequenciesHz, impedance, across });
}

const Y: Complex = { re: 0, im: 0 };

/** Where the impedance is least, and how large it is there, Ω. */
export function leastImpedance({ frequenciesHz, impedance: { re, im } }: Solved): {
  readonly ohm: number;
  readonly hz: number;
} {
  let [ohm, hz] = [Number.POSITIVE_INFINITY, Number.NaN];
  for (let at = 0; at < frequenciesHz.length; at++) {
    const size = Math.hypot(re[at] as number, im[at] as number);
    if (size < ohm) [ohm, hz] = [size, frequenciesHz[at] as number];
  }
  return { ohm, hz };
}

/** From 20 Hz to 20 kHz, so many to the octave (ten octaves, less a thirtieth). */
export function audibleFrequencies(perOctave: number): Float64Array {
  const [from, to] = [20, 20_000];
  const steps = Math.ceil(perOctave * Math.log2(to / from));
  return Float64Array.from({ length: steps + 1 }, (_, at) => from * (to / from) ** (at / steps));
}

function faultOf(parts: readonly NetworkPart[], source: string): string | null {
  if (source === GROUND) return 'The amplifier drives a node against ground, and not ground itself.';
  const ids = new Set<string>();
  for (const part of parts) {
    if (ids.has(part.id)) return `${part.id} is there twice: each part has a name of its own.`;
    ids.add(part.id);
    const fault = partFault(part);
    if (fault) return fault;
  }
  if (!parts.some(({ from, to }) => from === source || to === source))
    return `Nothing is led to ${source}, which the amplifier drives.`;
  const loose = parts.find(({ from }) => !reachedFrom([source, GROUND], parts).has(from));
  if (loose) return `${loose.id} hangs on nothing: neither of its ends is led to the amplifier.`;
  if (reachedFrom([source], parts).has(GROUND)) return null;
  return `Nothing leads from ${source} back to the amplifier: the circuit is open.`;
}

function reachedFrom(nodes: readonly string[], parts: readonly NetworkPart[]): ReadonlySet<string> {
  const reached = new Set(nodes);
  for (let grown = true; grown; ) {
    grown = false;
    for (const { from, to } of parts)
      if (reached.has(from) !== reached.has(to)) {
        reached.add(from).add(to);
        grown = true;
      }
  }
  return reached;
}

/** Nodes as numbers: ground is −1, the source the last one, and what is to be found out comes before it. */
class Nodes {
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Without ground. */
  readonly count: number;

  constructor(parts: readonly NetworkPart[], source: string) {
    const names = [...new Set(parts.flatMap(({ from, to }) => [from, to]))].filter(
      (name) => name !== GROUND && name !== source,
    );
    const numbers = new Map([...names, source].map((name, at) => [name, at]));
    this.count = numbers.size;
    const numberOf = (name: string) => numbers.get(name) ?? -1;
    this.from = parts.map(({ from }) => numberOf(from));
    this.to = parts.map(({ to }) => numberOf(to));
  }
}

/** The nodal equations of one frequency: complex, by Gaussian elimination with row pivoting. */
class NodalSystem {
  /** How many voltages are to be found out: all but the source's. */
  private readonly unknown: number;
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  /** Of all nodes; the source's is 1. */
  private readonly voltsRe: Float64Array;
  private readonly voltsIm: Float64Array;
  private readonly workRe: Float64Array;
  private readonly workIm: Float64Array;

  constructor(private readonly size: number) {
    this.unknown = size - 1;
    this.re = new Float64Array(size * size);
    this.im = new Float64Array(size * size);
    this.workRe = new Float64Array(this.unknown * (this.unknown + 1));
    this.workIm = new Float64Array(this.unknown * (this.unknown + 1));
    this.voltsRe = new Float64Array(size);
    this.voltsIm = new Float64Array(size);
  }

  clear(): void {
    this.re.fill(0);
    this.im.fill(0);
  }

  add(from: number, to: number, { re, im }: Complex): void {
    if (from >= 0) this.put(from, from, re, im);
    if (to >= 0) this.put(to, to, re, im);
    if (from < 0 || to < 0) return;
    this.put(from, to, -re, -im);
    this.put(to, from, -re, -im);
  }

  /** @returns what flows into the network from a source of one volt, A; the same object each time */
  solve(): Complex {
    this.fill();
    this.eliminate();
    this.voltsRe[this.unknown] = 1;
    this.voltsIm[this.unknown] = 0;
    const row = this.unknown * this.size;
    CURRENT.re = 0;
    CURRENT.im = 0;
    for (let at = 0; at < this.size; at++) {
      const [yRe, yIm] = [this.re[row + at] as number, this.im[row + at] as number];
      const [vRe, vIm] = [this.voltsRe[at] as number, this.voltsIm[at] as number];
      CURRENT.re += yRe * vRe - yIm * vIm;
      CURRENT.im += yRe * vIm + yIm * vRe;
    }
    return CURRENT;
  }

  /** @param out told the voltage from one node to another */
  difference(from: number, to: number, out: Complex): void {
    out.re = (this.voltsRe[from] ?? 0) - (this.voltsRe[to] ?? 0);
    out.im = (this.voltsIm[from] ?? 0) - (this.voltsIm[to] ?? 0);
  }

  private put(row: number, column: number, re: number, im: number): void {
    const at = row * this.size + column;
    this.re[at] = (this.re[at] as number) + re;
    this.im[at] = (this.im[at] as number) + im;
  }

  /** The equations of the unknown voltages; behind them what the source drives into each node. */
  private fill(): void {
    const { unknown, size } = this;
    const width = unknown + 1;
    for (let row = 0; row < unknown; row++) {
      for (let column = 0; column < unknown; column++) {
        this.workRe[row * width + column] = this.re[row * size + column] as number;
        this.workIm[row * width + column] = this.im[row * size + column] as number;
      }
      this.workRe[row * width + unknown] = -(this.re[row * size + unknown] as number);
      this.workIm[row * width + unknown] = -(this.im[row * size + unknown] as number);
    }
  }

  private eliminate(): void {
    const { unknown, workRe, workIm } = this;
    const width = unknown + 1;
    for (let column = 0; column < unknown; column++) {
      this.pivot(column);
      const at = column * width + column;
      const [pRe, pIm] = [workRe[at] as number, workIm[at] as number];
      const size = pRe * pRe + pIm * pIm;
      for (let row = 0; row < unknown; row++) {
        if (row === column) continue;
        const [aRe, aIm] = [workRe[row * width + column] as number, workIm[row * width + column] as number];
        if (aRe === 0 && aIm === 0) continue;
        const [fRe, fIm] = [(aRe * pRe + aIm * pIm) / size, (aIm * pRe - aRe * pIm) / size];
        for (let each = column; each < width; each++) {
          const [bRe, bIm] = [workRe[column * width + each] as number, workIm[column * width + each] as number];
          workRe[row * width + each] = (workRe[row * width + each] as number) - (fRe * bRe - fIm * bIm);
          workIm[row * width + each] = (workIm[row * width + each] as number) - (fRe * bIm + fIm * bRe);
        }
      }
    }
    for (let row = 0; row < unknown; row++) {
      const [pRe, pIm] = [workRe[row * width + row] as number, workIm[row * width + row] as number];
      const [bRe, bIm] = [workRe[row * width + unknown] as number, workIm[row * width + unknown] as number];
      const size = pRe * pRe + pIm * pIm;
      this.voltsRe[row] = (bRe * pRe + bIm * pIm) / size;
      this.voltsIm[row] = (bIm * pRe - bRe * pIm) / size;
    }
  }

  private pivot(column: number): void {
    const { unknown, workRe, workIm } = this;
    const width = unknown + 1;
    let [best, size] = [column, 0];
    for (let row = column; row < unknown; row++) {
      const each = Math.hypot(workRe[row * width + column] as number, workIm[row * width + column] as number);
      if (each > size) [best, size] = [row, each];
    }
    if (size < LEAST_PIVOT) workRe[best * width + column] = LEAST_PIVOT;
    if (best === column) return;
    for (const work of [workRe, workIm])
      for (let each = 0; each < width; each++) {
        const kept = work[best * width + each] as number;
        work[best * width + each] = work[column * width + each] as number;
        work[column * width + each] = kept;
      }
  }
}

const CURRENT: Complex = { re: 0, im: 0 };

function newColumn(count: number): ComplexColumn {
  return { re: new Float64Array(count), im: new Float64Array(count) };
}

function invertInto({ re, im }: ComplexColumn, at: number, ofRe: number, ofIm: number): void {
  const size = ofRe * ofRe + ofIm * ofIm;
  re[at] = ofRe / size;
  im[at] = -ofIm / size;
}
