/** Networks whose answer is known in closed form, what holds of all of them, and what is no network. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../../testing/fuzzed';
import { randomNetwork } from '../../testing/randomNetwork';
import type { NetworkPart } from './parts';
import { audibleFrequencies, leastImpedance, type Solved, solveNetwork } from './solveNetwork';

const resistor = (id: string, from: string, to: string, ohm: number): NetworkPart => ({
  kind: 'resistor',
  id,
  from,
  to,
  ohm,
});
const capacitor = (id: string, from: string, to: string, farad: number): NetworkPart => ({
  kind: 'capacitor',
  id,
  from,
  to,
  farad,
});
const coil = (id: string, from: string, to: string, henry: number, ohm = 0): NetworkPart => ({
  kind: 'coil',
  id,
  from,
  to,
  henry,
  ohm,
});

function solved(parts: readonly NetworkPart[], ...hz: readonly number[]): Solved {
  const found = solveNetwork(parts, 'in', Float64Array.from(hz));
  if (!found.ok) throw new Error(found.failure);
  return found.value;
}
const ohmAt = ({ impedance: { re, im } }: Solved, at = 0) => Math.hypot(re[at] as number, im[at] as number);
const gainAt = ({ across }: Solved, id: string, at = 0) => {
  const column = across.get(id);
  return Math.hypot(column?.re[at] as number, column?.im[at] as number);
};
const decibel = (gain: number) => 20 * Math.log10(gain);

describe('in closed form', () => {
  test('two speakers of 4 Ω side by side are 2 Ω, one after the other 8 Ω', () => {
    expect(ohmAt(solved([resistor('a', 'in', '0', 4), resistor('b', 'in', '0', 4)], 100))).toBeCloseTo(2, 12);
    expect(ohmAt(solved([resistor('a', 'in', 'm', 4), resistor('b', 'm', '0', 4)], 100))).toBeCloseTo(8, 12);
  });

  test('a capacitor before 4 Ω lets half of the power through at 1/(2πRC), and 6 dB less an octave below four octaves down', () => {
    // 100 µF before 4 Ω: 397.9 Hz.
    const corner = 1 / (2 * Math.PI * 4 * 100e-6);
    const network = solved(
      [capacitor('c', 'in', 'm', 100e-6), resistor('r', 'm', '0', 4)],
      corner,
      corner / 16,
      corner / 32,
    );
    expect(gainAt(network, 'r', 0)).toBeCloseTo(Math.SQRT1_2, 12);
    expect(decibel(gainAt(network, 'r', 1) / gainAt(network, 'r', 2))).toBeCloseTo(6, 1);
    expect(network.impedance.im[0]).toBeCloseTo(-4, 10);
  });

  test('a high-pass and a low-pass of second order by Butterworth cross at −3 dB, by Linkwitz and Riley at −6 dB', () => {
    const [hz, ohm] = [3000, 4];
    const omega = 2 * Math.PI * hz;
    // C = 1/(√2 ωR), L = √2 R/ω; and C = 1/(2ωR), L = 2R/ω (closed forms of the two alignments).
    for (const [root, db] of [
      [Math.SQRT2, -3.0103],
      [2, -6.0206],
    ] as const) {
      const high = solved(
        [
          capacitor('c', 'in', 'm', 1 / (root * omega * ohm)),
          coil('l', 'm', '0', (root * ohm) / omega),
          resistor('r', 'm', '0', ohm),
        ],
        hz,
      );
      const low = solved(
        [
          coil('l', 'in', 'm', (root * ohm) / omega),
          capacitor('c', 'm', '0', 1 / (root * omega * ohm)),
          resistor('r', 'm', '0', ohm),
        ],
        hz,
      );
      expect(decibel(gainAt(high, 'r'))).toBeCloseTo(db, 3);
      expect(decibel(gainAt(low, 'r'))).toBeCloseTo(db, 3);
    }
  });

  test('an L-pad of 6 dB before 4 Ω leaves the load what it is', () => {
    // Rs = Z(1 − 10^(−a/20)), Rp = Z/(10^(a/20) − 1).
    const k = 10 ** (6 / 20);
    const network = solved(
      [resistor('s', 'in', 'm', 4 * (1 - 1 / k)), resistor('p', 'm', '0', 4 / (k - 1)), resistor('r', 'm', '0', 4)],
      1000,
    );
    expect(ohmAt(network)).toBeCloseTo(4, 12);
    expect(decibel(gainAt(network, 'r'))).toBeCloseTo(-6, 10);
  });

  test('a driver is its coil below and above its resonance, and has its peak there', () => {
    const driver = { coilOhm: 3.4, coilHenry: 0, resonance: { hz: 62, peakOhm: 21, q: 4.1 } };
    const network = solved([{ kind: 'driver', id: 'd', from: 'in', to: '0', driver }], 62, 62 * 2 ** 8, 62 / 2 ** 5);
    expect(network.impedance.re[0]).toBeCloseTo(24.4, 12);
    expect(network.impedance.im[0]).toBeCloseTo(0, 12);
    expect(ohmAt(network, 1)).toBeCloseTo(3.4, 2);
    expect(ohmAt(network, 2)).toBeCloseTo(3.4, 2);
    expect(leastImpedance(network)).toMatchObject({ hz: 62 * 2 ** 8 });
  });

  test('a tweeter behind a capacitor is no plain parallel: below its corner the channel sees the woofer alone', () => {
    const parts = [
      resistor('woofer', 'in', '0', 4),
      capacitor('c', 'in', 'm', 10e-6),
      resistor('tweeter', 'm', '0', 4),
    ];
    const network = solved(parts, 60, 18_000);
    expect(ohmAt(network, 0)).toBeCloseTo(4, 2);
    expect(ohmAt(network, 1)).toBeCloseTo(2, 1);
  });

  test('a coil and a capacitor without loss are a short where they cancel', () => {
    const hz = 1 / (2 * Math.PI * Math.sqrt(1e-3 * 10e-6));
    expect(ohmAt(solved([coil('l', 'in', 'm', 1e-3), capacitor('c', 'm', '0', 10e-6)], hz))).toBeLessThan(1e-9);
  });
});

describe('of every network', () => {
  const seeds = fc.integer({ min: 1, max: 2 ** 31 });
  const hz = audibleFrequencies(2);
  const read = (parts: readonly NetworkPart[], at = hz) => {
    const found = solveNetwork(parts, 'in', at);
    if (!found.ok) throw new Error(found.failure);
    return found.value;
  };

  test('it takes power and gives none: the resistance that the amplifier sees is never below nothing', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const network = read(randomNetwork(seed));
        // But for rounding, where all but nothing of it is resistance.
        for (const [at, re] of network.impedance.re.entries()) expect(re).toBeGreaterThan(-1e-9 * ohmAt(network, at));
      }),
      fuzzed(100),
    );
  });

  test('twice in parallel it is half of it', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const parts = randomNetwork(seed);
        const named = (name: string) => (name === 'in' || name === '0' ? name : `${name}′`);
        const again = parts.map((part) => ({ ...part, id: `${part.id}′`, from: named(part.from), to: named(part.to) }));
        const [one, both] = [read(parts), read([...parts, ...again])];
        for (let at = 0; at < hz.length; at++) expect(2 * ohmAt(both, at)).toBeCloseTo(ohmAt(one, at), 6);
      }),
      fuzzed(60),
    );
  });

  test('at twice the frequency it is what half the coils and capacitors make of it', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const parts = randomNetwork(seed);
        const halved = parts.map((part): NetworkPart => {
          if (part.kind === 'capacitor') return { ...part, farad: part.farad / 2 };
          if (part.kind === 'coil') return { ...part, henry: part.henry / 2 };
          if (part.kind !== 'driver') return part;
          const { coilOhm, coilHenry, resonance } = part.driver;
          const up = resonance && { ...resonance, hz: resonance.hz * 2 };
          return { ...part, driver: { coilOhm, coilHenry: coilHenry / 2, resonance: up } };
        });
        const [one, half] = [
          read(parts),
          read(
            halved,
            hz.map((each) => each * 2),
          ),
        ];
        for (let at = 0; at < hz.length; at++) expect(ohmAt(half, at) / ohmAt(one, at)).toBeCloseTo(1, 9);
      }),
      fuzzed(60),
    );
  });
});

describe('what is no network', () => {
  test.each<[string, readonly NetworkPart[], RegExp]>([
    ['0 Ω', [resistor('a', 'in', '0', 0)], /^a: 0 was read as its resistance, Ω\. More than nothing would do\.$/],
    ['no number', [capacitor('a', 'in', '0', Number.NaN)], /^a: NaN was read as its capacitance, F\./],
    ['a coil of less than nothing', [coil('a', 'in', '0', 1e-3, -1)], /^a: -1 .* Nothing or more would do\.$/],
    ['both ends at one node', [resistor('a', 'in', 'in', 4)], /^a: both of its ends are at in\./],
    ['a name twice', [resistor('a', 'in', '0', 4), resistor('a', 'in', '0', 8)], /^a is there twice/],
    ['nothing', [], /^Nothing is led to in, which the amplifier drives\.$/],
    ['an open circuit', [resistor('a', 'in', 'm', 4), resistor('b', '0', 'n', 4)], /^Nothing leads from in back/],
    ['what hangs in the air', [resistor('a', 'in', '0', 4), resistor('b', 'x', 'y', 4)], /^b hangs on nothing/],
  ])('%s is named', (_, parts, words) => {
    const found = solveNetwork(parts, 'in', Float64Array.of(100));
    expect(found.ok ? '' : found.failure).toMatch(words);
  });

  test('an amplifier does not drive ground', () => {
    expect(solveNetwork([resistor('a', 'in', '0', 4)], '0', Float64Array.of(100)).ok).toBe(false);
  });
});

test('frequencies are those that can be heard, from the first to the last', () => {
  const hz = audibleFrequencies(24);
  expect([hz[0], hz.at(-1)]).toEqual([20, 20_000]);
  expect((hz[1] as number) / 20).toBeLessThanOrEqual(2 ** (1 / 24));
});
