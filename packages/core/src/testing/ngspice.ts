/** Debian's ngspice as referee of networks: what it is asked, and how far ours is off. In tests and measurements only. */
import type { NetworkPart } from '../sound/network/parts';
import { type ComplexColumn, solveNetwork } from '../sound/network/solveNetwork';

/** The furthest that ours is off: of size as a ratio, and of angle, degrees. */
export type Deviation = { readonly ratio: number; readonly degrees: number };

type Networks = readonly (readonly NetworkPart[])[];
/** Runs what is asked, as the name of a file to write to makes it, and gives what is in that file then. */
export type RunNgspice = (netlist: (out: string) => string) => string;

/** What is a millionth of the source's volt, and less, is nothing to both. */
const LEAST_V = 1e-6;

/**
 * @param networks each driven between `in` and ground; its impedance is compared, and the voltage across its last part
 * @returns of all of them at 12 frequencies to the octave from 20 Hz to 20 kHz
 */
export function worstAgainstNgspice(networks: Networks, run: RunNgspice): Deviation {
  const watched = networks.map((parts) => parts.at(-1) as NetworkPart);
  const { hz, vectors } = asked(networks, watched, run);
  let worst: Deviation = { ratio: 0, degrees: 0 };
  for (const [at, parts] of networks.entries()) {
    const ours = solveNetwork(parts, 'in', hz);
    if (!ours.ok) throw new Error(ours.failure);
    // Its current flows out of the source's other end.
    const { re, im } = vectors[2 * at] as ComplexColumn;
    const impedance = {
      re: re.map((each, row) => -each / (each * each + (im[row] as number) ** 2)),
      im: im.map((each, row) => each / (each * each + (re[row] as number) ** 2)),
    };
    const across = ours.value.across.get((watched[at] as NetworkPart).id) as ComplexColumn;
    for (const found of [
      deviation(ours.value.impedance, impedance, 0),
      deviation(across, vectors[2 * at + 1] as ComplexColumn, LEAST_V),
    ])
      worst = { ratio: Math.max(worst.ratio, found.ratio), degrees: Math.max(worst.degrees, found.degrees) };
  }
  return worst;
}

function asked(networks: Networks, watched: readonly NetworkPart[], run: RunNgspice) {
  const names = watched.flatMap(({ from, to }, at) => {
    const volts = (name: string) => (name === '0' ? '0*v(in_0)' : `v(${name}_${at})`);
    return [`i(v${at})`, `${volts(from)}-${volts(to)}`];
  });
  const told = run((out) =>
    [
      'networks',
      ...networks.flatMap((parts, at) => [`V${at} in_${at} 0 AC 1`, ...parts.flatMap((part) => lines(part, at))]),
      '.options rshunt=1e12',
      '.control',
      'set numdgt=12',
      'set wr_singlescale',
      'ac dec 12 20 20k',
      ...names.map((name, at) => `let w${at} = ${name}`),
      `wrdata ${out} ${names.map((_, at) => `w${at}`).join(' ')}`,
      'quit',
      '.endc',
      '.end',
    ].join('\n'),
  );
  const rows = told
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number));
  if (rows.length <= 30) throw new Error(`ngspice: expected more than 30 frequencies, got ${rows.length}`);
  return {
    hz: Float64Array.from(rows, ([each]) => each as number),
    vectors: names.map((_, vector) => ({
      re: Float64Array.from(rows, (row) => row[1 + 2 * vector] as number),
      im: Float64Array.from(rows, (row) => row[2 + 2 * vector] as number),
    })),
  };
}

/** A part as ngspice has it; a driver by the circuit that stands for it. */
function lines({ id, from, to, ...part }: NetworkPart, network: number): readonly string[] {
  const node = (name: string) => (name === '0' ? '0' : `${name}_${network}`);
  const [a, b, name] = [node(from), node(to), `${id}_${network}`];
  switch (part.kind) {
    case 'resistor':
      return [`R${name} ${a} ${b} ${part.ohm}`];
    case 'capacitor':
      return [`C${name} ${a} ${b} ${part.farad}`];
    case 'coil':
      return [`R${name} ${a} m${name} ${part.ohm}`, `L${name} m${name} ${b} ${part.henry}`];
    case 'driver': {
      const { coilOhm, coilHenry, resonance } = part.driver;
      const coil = [
        `R${name} ${a} m${name} ${coilOhm}`,
        `L${name} m${name} ${resonance ? `k${name}` : b} ${coilHenry}`,
      ];
      if (!resonance) return coil;
      const omega = 2 * Math.PI * resonance.hz;
      return [
        ...coil,
        `Rk${name} k${name} ${b} ${resonance.peakOhm}`,
        `Lk${name} k${name} ${b} ${resonance.peakOhm / (omega * resonance.q)}`,
        `Ck${name} k${name} ${b} ${resonance.q / (omega * resonance.peakOhm)}`,
      ];
    }
  }
}

function deviation(ours: ComplexColumn, theirs: ComplexColumn, least: number): Deviation {
  let [ratio, degrees] = [0, 0];
  for (let at = 0; at < ours.re.length; at++) {
    const [a, b] = [ours, theirs].map(({ re, im }) => ({ re: re[at] as number, im: im[at] as number }));
    if (!a || !b) throw new Error('expected a figure of both');
    const [size, other] = [Math.hypot(a.re, a.im), Math.hypot(b.re, b.im)];
    if (size <= least && other <= least) continue;
    const turned = Math.atan2(a.im * b.re - a.re * b.im, a.re * b.re + a.im * b.im);
    // What is no figure is the worst of all.
    ratio = worse(ratio, Math.abs(size / other - 1));
    degrees = worse(degrees, Math.abs((turned * 180) / Math.PI));
  }
  return { ratio, degrees };
}

function worse(a: number, b: number): number {
  return Number.isNaN(b) ? Number.POSITIVE_INFINITY : Math.max(a, b);
}
