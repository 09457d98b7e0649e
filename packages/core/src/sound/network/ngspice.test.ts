/** Debian's ngspice as referee: what an amplifier sees, and what reaches a part, of networks at random. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomNetwork } from '../../testing/randomNetwork';
import type { NetworkPart } from './parts';
import { type ComplexColumn, solveNetwork } from './solveNetwork';

const NETWORKS = 300;
/** Of size and of angle, degrees. */
const MOST_OFF = 1e-3;
const MOST_OFF_DEG = 0.1;

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-network-'));
});
afterAll(() => rmSync(dir, { recursive: true }));

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

test(`${NETWORKS} networks of 2 to 20 parts`, () => {
  const networks = Array.from({ length: NETWORKS }, (_, at) => randomNetwork(4000 + at));
  const watched = networks.map((parts) => parts.at(-1) as NetworkPart);
  const vectors = watched.flatMap(({ from, to }, at) => {
    const volts = (name: string) => (name === '0' ? '0*v(in_0)' : `v(${name}_${at})`);
    return [`i(v${at})`, `${volts(from)}-${volts(to)}`];
  });
  const out = path.join(dir, 'out.txt');
  const file = path.join(dir, 'networks.cir');
  writeFileSync(
    file,
    [
      'networks',
      ...networks.flatMap((parts, at) => [`V${at} in_${at} 0 AC 1`, ...parts.flatMap((part) => lines(part, at))]),
      '.options rshunt=1e12',
      '.control',
      'set numdgt=12',
      'set wr_singlescale',
      'ac dec 12 20 20k',
      ...vectors.map((vector, at) => `let w${at} = ${vector}`),
      `wrdata ${out} ${vectors.map((_, at) => `w${at}`).join(' ')}`,
      'quit',
      '.endc',
      '.end',
    ].join('\n'),
  );
  execFileSync('ngspice', ['-b', file], { stdio: 'ignore' });
  const rows = readFileSync(out, 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number));
  expect(rows.length).toBeGreaterThan(30);
  const hz = Float64Array.from(rows, ([each]) => each as number);
  const theirs = (vector: number): ComplexColumn => ({
    re: Float64Array.from(rows, (row) => row[1 + 2 * vector] as number),
    im: Float64Array.from(rows, (row) => row[2 + 2 * vector] as number),
  });
  for (const [at, parts] of networks.entries()) {
    const ours = solveNetwork(parts, 'in', hz);
    if (!ours.ok) throw new Error(ours.failure);
    // Its current flows out of the source's other end.
    const { re, im } = theirs(2 * at);
    const impedance = {
      re: re.map((each, row) => -each / (each * each + (im[row] as number) ** 2)),
      im: im.map((each, row) => each / (each * each + (re[row] as number) ** 2)),
    };
    expectSame(ours.value.impedance, impedance, 0);
    // What is a millionth of the source's volt, and less, is nothing to both.
    expectSame(ours.value.across.get((watched[at] as NetworkPart).id) as ComplexColumn, theirs(2 * at + 1), 1e-6);
  }
});

function expectSame(ours: ComplexColumn, theirs: ComplexColumn, least: number): void {
  for (let at = 0; at < ours.re.length; at++) {
    const [a, b] = [ours, theirs].map(({ re, im }) => ({ re: re[at] as number, im: im[at] as number }));
    if (!a || !b) throw new Error('expected a figure of both');
    const [size, other] = [Math.hypot(a.re, a.im), Math.hypot(b.re, b.im)];
    if (size <= least && other <= least) continue;
    expect(Math.abs(size / other - 1)).toBeLessThan(MOST_OFF);
    const turned = Math.atan2(a.im * b.re - a.re * b.im, a.re * b.re + a.im * b.im);
    expect(Math.abs((turned * 180) / Math.PI)).toBeLessThan(MOST_OFF_DEG);
  }
}
