/** What an amplifier sees of what hangs on a channel, against closed forms and against draws of another kind. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../math';
import { plainLoad } from '../../testing/plainLoad';
import { audibleFrequencies, leastImpedance, solveNetwork } from '../network/solveNetwork';
import { impedanceBand, leastByShares, leastChannelImpedance, takenAt } from './channelImpedance';
import { type Before, type ChannelLoad, channelLadders, type KnownLoad, knownLoads, SOURCE } from './channelNetwork';
import { type DriverKind, driverAt, type Electrics } from './electrics';

const NOTHING: Before = { kind: 'nothing' };

function load(kind: DriverKind, electrics: Partial<Electrics>, before: Before = NOTHING): ChannelLoad {
  return plainLoad({ label: kind, kind, before }, electrics);
}
function known(...loads: readonly ChannelLoad[]): readonly KnownLoad[] {
  const { known: those, unknown } = knownLoads(loads);
  expect(unknown).toEqual([]);
  return those;
}
const WOOFER = load('component woofer', { nominalOhm: 4, coilOhm: 3.4, coilMh: 0.4, resonanceHz: 60, totalQ: 0.6 });
const TWEETER = load('tweeter', { nominalOhm: 4, coilOhm: 3.4 });

test('a woofer is seen just above its coil, and as surely as its coil is known: 5 % of 3.4 Ω, rectangular', () => {
  const { ohm, hz, uncertaintyOhm } = leastByShares(known(WOOFER), 'parallel');
  expect(ohm).toBeGreaterThan(3.4);
  expect(ohm).toBeLessThan(3.4 * 1.06);
  expect(hz).toBeGreaterThan(120);
  expect(uncertaintyOhm / ohm).toBeCloseTo(0.05 / Math.sqrt(3), 2);
});

test('of a nominal value alone it lies between 80 and 100 % of it (IEC 60268-5)', () => {
  const { ohm, uncertaintyOhm } = leastByShares(known(load('coaxial', { nominalOhm: 4 })), 'parallel');
  expect(ohm - Math.sqrt(3) * uncertaintyOhm).toBeGreaterThan(0.8 * 4);
  expect(ohm + Math.sqrt(3) * uncertaintyOhm).toBeLessThan(4);
});

test('two alike in parallel are half, in series twice; and two independent doubts are not twice one', () => {
  const one = leastByShares(known(WOOFER), 'parallel');
  const parallel = leastByShares(known(WOOFER, WOOFER), 'parallel');
  const series = leastByShares(known(WOOFER, WOOFER), 'series');
  expect(parallel.ohm).toBeCloseTo(one.ohm / 2, 6);
  expect(series.ohm).toBeCloseTo(2 * one.ohm, 6);
  expect(parallel.uncertaintyOhm).toBeCloseTo(one.uncertaintyOhm / 2 / Math.SQRT2, 3);
  expect(series.uncertaintyOhm).toBeCloseTo(one.uncertaintyOhm * Math.SQRT2, 3);
});

test('a tweeter behind a capacitor is no plain parallel: the load keeps well above half', () => {
  const plain = leastByShares(known(WOOFER, TWEETER), 'parallel');
  const behind = load('tweeter', { nominalOhm: 4, coilOhm: 3.4 }, { kind: 'capacitor', farad: 4.7e-6 });
  const with47 = leastByShares(known(WOOFER, behind), 'parallel');
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
        const { ohm, uncertaintyOhm } = leastByShares(those, joined as 'parallel');
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
  const whole = leastByShares(those, 'parallel');
  const alone = those.map((each, at) => {
    const certain = those.map((other, place) =>
      place === at ? each : { ...other, ranges: { ...other.ranges, coilOhm: middleOf(other.ranges.coilOhm) } },
    );
    return leastByShares(certain, 'parallel').uncertaintyOhm;
  });
  expect(Math.hypot(...alone)).toBeCloseTo(whole.uncertaintyOhm, 9);
  const step = 1e-4;
  for (const [at, each] of those.entries()) {
    const scaled = (by: number) =>
      leastByShares(
        those.map((other, place) => (place === at ? scaledDriver(other, by) : other)),
        'parallel',
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
  const band = impedanceBand(those, 'parallel');
  const random = seededRandom(7);
  // Each third frequency: a tenth of the work, and no other answer.
  const at = Float64Array.from(band.frequenciesHz.filter((_, each) => each % 6 === 0));
  const columns = Array.from(at, () => new Float64Array(10_000));
  for (let draw = 0; draw < 10_000; draw++) {
    const drivers = those.map(({ ranges }) => driverAt(ranges, [random(), random(), random(), random(), random()]));
    const solved = solveNetwork(
      channelLadders(
        those,
        drivers,
        'parallel',
        those.map(() => takenAt(random())),
      ).flat(),
      SOURCE,
      at,
    );
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

/** The interval that a verdict is spoken by, against the least of 10,000 drawn channels: no more than 2.5 in 100 lie below it, with a count's scatter. */
test.each([
  ['a coaxial of which only the ohms are known', [load('coaxial', { nominalOhm: 4 })]],
  ['a woofer with all its figures', [WOOFER]],
  ['two in parallel', [load('coaxial', { nominalOhm: 4 }), load('full range', { nominalOhm: 8 })]],
  [
    'a coaxial beside a tweeter whose capacitor nobody read',
    [load('coaxial', { nominalOhm: 4 }), load('tweeter', { nominalOhm: 4 }, { kind: 'capacitor', farad: null })],
  ],
  [
    'a woofer behind a low-pass',
    [load('component woofer', { nominalOhm: 4 }, { kind: 'filter', highPass: null, lowPass: { hz: 3000, order: 2 } })],
  ],
  [
    'a tweeter behind a filter',
    [load('tweeter', { nominalOhm: 4 }, { kind: 'filter', highPass: { hz: 3500, order: 2 }, lowPass: null })],
  ],
  [
    'a coaxial beside a tweeter of which nobody knows whether it has one',
    [load('coaxial', { nominalOhm: 4 }), load('tweeter', { nominalOhm: 4 }, { kind: 'notLooked' })],
  ],
])('the least of %s lies above its interval as surely as it says', (_name, loads) => {
  const those = known(...loads);
  const { ohm, expandedOhm } = leastChannelImpedance(those, 'parallel', 0.975);
  const lower = ohm - expandedOhm;
  const random = seededRandom(11);
  const at = audibleFrequencies(8);
  const draws = 4000;
  let below = 0;
  for (let draw = 0; draw < draws; draw++) {
    const drivers = those.map(({ ranges }) => driverAt(ranges, [random(), random(), random(), random(), random()]));
    const taken = those.map(() => takenAt(random()));
    const solved = solveNetwork(channelLadders(those, drivers, 'parallel', taken).flat(), SOURCE, at);
    if (!solved.ok) throw new Error(solved.failure);
    if (leastImpedance(solved.value).ohm < lower) below++;
  }
  expect(below / draws).toBeLessThan(0.033);
});

describe('behind a crossover', () => {
  const leastOf = (order: 1 | 2 | 3, isOfSet: boolean) => {
    const corner = { hz: 3000, order };
    const crossover = { name: 'left', isOfSet } as const;
    return leastChannelImpedance(
      known(
        { ...WOOFER, crossover: { ...crossover, to: 'woofer', filter: { highPass: null, lowPass: corner } } },
        { ...TWEETER, crossover: { ...crossover, to: 'tweeter', filter: { highPass: corner, lowPass: null } } },
      ),
      'parallel',
      0.975,
    );
  };

  // Of odd orders the two sides of a Butterworth crossover at one corner make a constant resistance (closed form, from memory: the admittances of
  // the two singly terminated ladders add up to 1/R).
  test('of a set, woofer and tweeter load the channel as one coil of theirs does', () => {
    for (const order of [1, 3] as const) {
      const { ohm, expandedOhm } = leastOf(order, true);
      // 5 % of the coil, and 1 % that the least lies above it.
      expect([order, ohm, expandedOhm]).toEqual([order, expect.closeTo(1.01 * 3.4, 1), expect.closeTo(0.05 * 3.4, 1)]);
    }
  });

  test('of no set, textbook filters dip into the bare speakers', () => {
    expect(leastOf(2, false).ohm).toBeLessThan(0.75 * leastOf(2, true).ohm);
  });
});
