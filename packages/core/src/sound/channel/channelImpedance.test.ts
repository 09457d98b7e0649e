/** What an amplifier sees of what hangs on a channel, against closed forms and against draws of another kind. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { solveNetwork } from '../network/solveNetwork';
import { impedanceBand, leastChannelImpedance } from './channelImpedance';
import { type Before, type ChannelLoad, channelParts, type KnownLoad, knownLoads, SOURCE } from './channelNetwork';
import { type DriverKind, driverAt, type Electrics } from './electrics';

const UNSAID: Electrics = { nominalOhm: null, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null };
const NOTHING: Before = { kind: 'nothing' };

function load(kind: DriverKind, electrics: Partial<Electrics>, before: Before = NOTHING): ChannelLoad {
  const said = { ...UNSAID, ...electrics };
  return { label: kind, kind, electrics: said, before, isNew: true, isInDoor: true, rmsW: null, sensitivity: null };
}
function known(...loads: readonly ChannelLoad[]): readonly KnownLoad[] {
  const { known: those, unknown } = knownLoads(loads);
  expect(unknown).toEqual([]);
  return those;
}
const WOOFER = load('component woofer', { nominalOhm: 4, coilOhm: 3.4, coilMh: 0.4, resonanceHz: 60, totalQ: 0.6 });
const TWEETER = load('tweeter', { nominalOhm: 4, coilOhm: 3.4 });

test('a woofer is seen just above its coil, and as surely as its coil is known: 5 % of 3.4 Ω, rectangular', () => {
  const { ohm, hz, uncertaintyOhm } = leastChannelImpedance(known(WOOFER), 'parallel', 'nothing');
  expect(ohm).toBeGreaterThan(3.4);
  expect(ohm).toBeLessThan(3.4 * 1.06);
  expect(hz).toBeGreaterThan(120);
  expect(uncertaintyOhm / ohm).toBeCloseTo(0.05 / Math.sqrt(3), 2);
});

test('of a nominal value alone it lies between 80 and 100 % of it (IEC 60268-5)', () => {
  const { ohm, uncertaintyOhm } = leastChannelImpedance(
    known(load('coaxial', { nominalOhm: 4 })),
    'parallel',
    'nothing',
  );
  expect(ohm - Math.sqrt(3) * uncertaintyOhm).toBeGreaterThan(0.8 * 4);
  expect(ohm + Math.sqrt(3) * uncertaintyOhm).toBeLessThan(4);
});

test('two alike in parallel are half, in series twice; and two independent doubts are not twice one', () => {
  const one = leastChannelImpedance(known(WOOFER), 'parallel', 'nothing');
  const parallel = leastChannelImpedance(known(WOOFER, WOOFER), 'parallel', 'nothing');
  const series = leastChannelImpedance(known(WOOFER, WOOFER), 'series', 'nothing');
  expect(parallel.ohm).toBeCloseTo(one.ohm / 2, 6);
  expect(series.ohm).toBeCloseTo(2 * one.ohm, 6);
  expect(parallel.uncertaintyOhm).toBeCloseTo(one.uncertaintyOhm / 2 / Math.SQRT2, 3);
  expect(series.uncertaintyOhm).toBeCloseTo(one.uncertaintyOhm * Math.SQRT2, 3);
});

test('a tweeter behind a capacitor is no plain parallel: the load keeps well above half', () => {
  const plain = leastChannelImpedance(known(WOOFER, TWEETER), 'parallel', 'nothing');
  const behind = load('tweeter', { nominalOhm: 4, coilOhm: 3.4 }, { kind: 'capacitor', farad: 4.7e-6 });
  const with47 = leastChannelImpedance(known(WOOFER, behind), 'parallel', 'nothing');
  expect(plain.ohm).toBeLessThan(2);
  expect(with47.ohm).toBeGreaterThan(3.2);
});

const loadOf = fc.record({
  kind: fc.constantFrom<DriverKind>('coaxial', 'component woofer', 'full range', 'tweeter'),
  nominalOhm: fc.constantFrom(2, 3, 4, 8),
  before: fc.constantFrom<Before>(
    NOTHING,
    { kind: 'capacitor', farad: 6.8e-6 },
    { kind: 'filter', highPass: { hz: 3000, order: 2 }, lowPass: null },
    { kind: 'filter', highPass: null, lowPass: { hz: 3000, order: 3 } },
    { kind: 'filter', highPass: { hz: 300, order: 1 }, lowPass: { hz: 3000, order: 4 } },
  ),
});

/** Every network that can be made of loads has a solution, above nothing. */
test('property: whatever hangs on a channel has a least impedance, and its doubt is not larger than itself', () => {
  fc.assert(
    fc.property(
      fc.array(loadOf, { minLength: 1, maxLength: 4 }),
      fc.constantFrom('parallel', 'series'),
      (loads, joined) => {
        const those = known(...loads.map(({ kind, nominalOhm, before }) => load(kind, { nominalOhm }, before)));
        const { ohm, uncertaintyOhm } = leastChannelImpedance(those, joined as 'parallel', 'nothing');
        expect(ohm).toBeGreaterThan(0);
        expect(uncertaintyOhm).toBeLessThan(ohm);
      },
    ),
  );
});

/**
 * The slopes against differences of the least impedance itself where each driver's coil is scaled, which asks nothing of Tellegen. Where a least one
 * is flat over frequency it may move; its size does not, to the first order.
 */
test('how much each driver counts is what a change of it does', () => {
  const those = known(WOOFER, load('full range', { nominalOhm: 8 }, { kind: 'capacitor', farad: 68e-6 }));
  const whole = leastChannelImpedance(those, 'parallel', 'nothing');
  const alone = those.map((each, at) => {
    const certain = those.map((other, place) =>
      place === at ? each : { ...other, ranges: { ...other.ranges, coilOhm: middleOf(other.ranges.coilOhm) } },
    );
    return leastChannelImpedance(certain, 'parallel', 'nothing').uncertaintyOhm;
  });
  expect(Math.hypot(...alone)).toBeCloseTo(whole.uncertaintyOhm, 9);
  const step = 1e-4;
  for (const [at, each] of those.entries()) {
    const scaled = (by: number) =>
      leastChannelImpedance(
        those.map((other, place) => (place === at ? scaledDriver(other, by) : other)),
        'parallel',
        'nothing',
      ).ohm;
    const { least, most } = each.ranges.coilOhm;
    const relative = (most - least) / (most + least) / Math.sqrt(3);
    const slope = (scaled(1 + step) - scaled(1 - step)) / (2 * step);
    expect(Math.abs(slope) * relative).toBeCloseTo(alone[at] as number, 3);
  }
});
const middleOf = ({ least, most }: { least: number; most: number }) => ({
  least: (least + most) / 2,
  most: (least + most) / 2,
});
/** The whole of its impedance so many times: coil, inductance, and with the coil its peak. */
function scaledDriver({ load: of, ranges }: KnownLoad, by: number): KnownLoad {
  const times = ({ least, most }: { least: number; most: number }) => ({ least: least * by, most: most * by });
  return { load: of, ranges: { ...ranges, coilOhm: times(ranges.coilOhm), coilHenry: times(ranges.coilHenry) } };
}

/** Against 10,000 draws by a generator of their own: the band holds as many as it says, and is no wider than 1.2 times theirs. */
test.each([
  ['a woofer of which only the ohms are known', [load('component woofer', { nominalOhm: 4 })]],
  ['a woofer with all its figures', [WOOFER]],
  [
    'a coaxial beside a tweeter behind a capacitor',
    [load('coaxial', { nominalOhm: 4 }), load('tweeter', { nominalOhm: 4 }, { kind: 'capacitor', farad: null })],
  ],
])('the band of %s holds 95 in 100 of 10,000 draws, and is at most 1.2 times as wide as theirs', (_name, loads) => {
  const those = known(...loads);
  const band = impedanceBand(those, 'parallel', 'nothing');
  const random = mulberry(7);
  // Each third frequency: a tenth of the work, and no other answer.
  const at = Float64Array.from(band.frequenciesHz.filter((_, each) => each % 6 === 0));
  const columns = Array.from(at, () => new Float64Array(10_000));
  for (let draw = 0; draw < 10_000; draw++) {
    const drivers = those.map(({ ranges }) => driverAt(ranges, [random(), random(), random(), random(), random()]));
    const solved = solveNetwork(channelParts(those, drivers, 'parallel', 'nothing'), SOURCE, at);
    if (!solved.ok) throw new Error(solved.failure);
    const { re, im } = solved.value.impedance;
    for (const [each, column] of columns.entries()) column[draw] = Math.hypot(re[each] as number, im[each] as number);
  }
  for (const [each, column] of columns.entries()) {
    const lower = band.lowerOhm[each * 6] as number;
    const upper = band.upperOhm[each * 6] as number;
    const inside = column.filter((ohm) => ohm >= lower && ohm <= upper).length / 10_000;
    column.sort();
    const theirs = (column[9749] as number) - (column[250] as number);
    expect(inside).toBeGreaterThan(0.93);
    expect(inside).toBeLessThan(0.97);
    expect(upper - lower).toBeLessThan(1.2 * theirs + 1e-9);
  }
});

/** A generator of 32 bits: another than the band's lattice. */
function mulberry(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
