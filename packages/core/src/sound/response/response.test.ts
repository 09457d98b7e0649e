/** What arrives at the seat, against closed forms, against a network that is solved by its nodes, and against draws of another kind. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../math';
import { plainLoad } from '../../testing/plainLoad';
import type { Band } from '../bands';
import { takenAt } from '../channel/channelImpedance';
import { levelOf } from '../channel/channelLevels';
import { type ChannelLoad, channelLadders, driverId, knownLoads, SOURCE } from '../channel/channelNetwork';
import { driverAt } from '../channel/electrics';
import type { Complex, Driver, NetworkPart } from '../network/parts';
import { type ComplexColumn, GROUND, solveNetwork } from '../network/solveNetwork';
import { addSound, type Speaker } from './addSound';
import { channelResponse as responseOf } from './channelResponse';
import { conePressure } from './conePressure';
import type { HeardChannel } from './drawResponses';
import { driverSound, MISSED_INDUCTANCE, UPPER_END_HZ } from './driverSound';
import { SEAT } from './seat';

const WOOFER: Driver = { coilOhm: 3.4, coilHenry: 0, resonance: { hz: 60, peakOhm: 20, q: 4 } };
/** Qes = Qms Re / peak. */
const ELECTRICAL_Q = (4 * 3.4) / 20;
const TOTAL_Q = (4 * ELECTRICAL_Q) / (4 + ELECTRICAL_Q);
const HZ = Float64Array.from([20, 40, 60, 100, 300, 1000, 5000, 20_000]);

function pressureOf(driver: Driver, hz: number): Complex {
  const out = { re: 0, im: 0 };
  conePressure(driver, 1, hz, out);
  return out;
}
const sizeOf = ({ re, im }: Complex) => Math.hypot(re, im);

test('without inductance it is the second-order high-pass of its resonance and its Q (Small, JAES 1972)', () => {
  for (const hz of HZ) {
    const x = hz / 60;
    // (jx)² / (1 + jx/Qts + (jx)²)
    const size = (x * x) / Math.hypot(1 - x * x, x / TOTAL_Q);
    expect(sizeOf(pressureOf(WOOFER, hz))).toBeCloseTo(size, 9);
  }
  expect(sizeOf(pressureOf(WOOFER, 60))).toBeCloseTo(TOTAL_Q, 9);
});

/** The voltage at what moves, from a network in which mass and suspension are a capacitor and a coil, times the frequency. */
test('with inductance it is what the nodes of its circuit say', () => {
  const driver = { ...WOOFER, coilHenry: 0.5e-3 };
  const omega = 2 * Math.PI * 60;
  const parts: readonly NetworkPart[] = [
    { id: 'coil', from: SOURCE, to: 'moves', kind: 'coil', ohm: 3.4, henry: 0.5e-3 },
    { id: 'loss', from: 'moves', to: GROUND, kind: 'resistor', ohm: 20 },
    { id: 'mass', from: 'moves', to: GROUND, kind: 'capacitor', farad: 4 / (20 * omega) },
    { id: 'suspension', from: 'moves', to: GROUND, kind: 'coil', ohm: 0, henry: 20 / (4 * omega) },
  ];
  const solved = solveNetwork(parts, SOURCE, HZ);
  if (!solved.ok) throw new Error(solved.failure);
  const moves = solved.value.across.get('loss') as ComplexColumn;
  for (const [at, hz] of HZ.entries()) {
    // p = j f/fs Zm/Z, against Re / (peak / Qms)
    const by = (hz / 60) * ((4 * 3.4) / 20);
    const { re, im } = pressureOf(driver, hz);
    expect(re).toBeCloseTo(-by * (moves.im[at] as number), 9);
    expect(im).toBeCloseTo(by * (moves.re[at] as number), 9);
  }
});

test('a coaxial without inductance plays level from well above its resonance to the top; a woofer is 6 dB down at its end', () => {
  const out = { re: 0, im: 0 };
  for (const hz of [1000, 4000, 20_000]) {
    driverSound({ kind: 'coaxial', driver: WOOFER, endHz: 4000, missed: 1 }, hz, out);
    expect(20 * Math.log10(sizeOf(out))).toBeCloseTo(0, 1);
  }
  driverSound({ kind: 'component woofer', driver: WOOFER, endHz: 4000, missed: 1 }, 4000, out);
  expect(20 * Math.log10(sizeOf(out))).toBeCloseTo(20 * Math.log10(0.5), 1);
});

describe('two alike', () => {
  const one: Speaker = {
    ...{ kind: 'component woofer', driver: WOOFER, endHz: 5000, missed: 1, db: 90, isTurned: false },
    way: { distanceM: 1, pastTheEarDbPerOctave: 0 },
  };
  const full = { re: HZ.map(() => 1), im: new Float64Array(HZ.length) };
  const sumOf = (...speakers: readonly Speaker[]) => {
    const sum = { re: new Float64Array(HZ.length), im: new Float64Array(HZ.length) };
    for (const each of speakers) addSound(sum, each, full, HZ);
    return HZ.map((_, at) => 20 * Math.log10(Math.hypot(sum.re[at] as number, sum.im[at] as number)));
  };
  const alone = sumOf(one);

  test('in phase are 20 log10(2) dB louder, and out of phase nothing is left', () => {
    for (const [at, db] of sumOf(one, one).entries()) expect(db - (alone[at] as number)).toBeCloseTo(6.0206, 4);
    for (const db of sumOf(one, { ...one, isTurned: true })) expect(db).toBeLessThan(-100);
  });

  test('of which one is farther away add up as two sources do: 2 |cos(π f d / c)|', () => {
    // As loud in spite of its distance.
    const [farther, louder] = [0.5, 20 * Math.log10(1.5)];
    const sum = sumOf(one, { ...one, db: 90 + louder, way: { ...one.way, distanceM: 1 + farther } });
    for (const [at, hz] of HZ.entries())
      expect(10 ** (((sum[at] as number) - (alone[at] as number)) / 20)).toBeCloseTo(
        2 * Math.abs(Math.cos((Math.PI * hz * farther) / 343)),
        6,
      );
  });
});

const RATED = { db: 92, at: '2.83 V' } as const;
const COAXIAL = plainLoad({ label: 'Front door, left', sensitivity: RATED });
const TWEETER = plainLoad({
  ...{ label: 'Sail panel, left', kind: 'tweeter', sensitivity: { db: 91, at: '1 W' } },
  before: { kind: 'capacitor', farad: 4.7e-6 },
});
const OLD = plainLoad({ label: 'Front door, left', kind: 'full range', isNew: false });
/** Fewer than are drawn for a screen: what is asked of the edges of a band has its own test. */
const FEW = 160;
const channelResponse = (now: HeardChannel, before: HeardChannel | null) => responseOf(now, before, FEW);
const heard = (...loads: readonly ChannelLoad[]): HeardChannel => ({
  loads: loads.map((load) => ({ load, isPolarityTested: true })),
  ...{ joined: 'parallel', band: 'full' },
});

test('the same speakers before and after change nothing at all, whatever nobody knows of them', () => {
  const tweeter = { ...TWEETER, isNew: false, before: { kind: 'notLooked' as const } };
  const found = channelResponse(heard(OLD, tweeter), heard(OLD, tweeter));
  expect(found?.change?.map(({ db }) => db)).toEqual([0, 1, 2].map(() => ({ middle: 0, lower: 0, upper: 0 })));
});

test('a new coaxial in an old one’s place is louder by what it is rated above factory speakers, and surer than the seat is', () => {
  const found = channelResponse(heard(COAXIAL), heard(OLD));
  const [bass, voices, treble] = found?.change ?? [];
  // 92 ± 1 dB against 86 to 92: 3 dB, of two that are rectangular up to 4 apart.
  expect(voices?.db.middle).toBeGreaterThan(1.5);
  expect(voices?.db.middle).toBeLessThan(4.5);
  expect((voices?.db.upper ?? 0) - (voices?.db.lower ?? 0)).toBeLessThan(9);
  // Its own tweeter plays where a single cone has ended.
  expect(treble?.db.middle).toBeGreaterThan(voices?.db.middle ?? 99);
  expect(bass?.fromHz).toBe(60);
  const at = found?.frequenciesHz.findIndex((hz) => hz > 1000) ?? 0;
  const width = (found?.seat?.upper[at] ?? 0) - (found?.seat?.lower[at] ?? 0);
  expect(width).toBeGreaterThan((voices?.db.upper ?? 0) - (voices?.db.lower ?? 0));
});

test('a high-pass is seen in the voltage at its speaker, and at the seat', () => {
  const line = { highPass: { capacitorUf: 4.7, coilMh: null }, lowPass: null, pad: null };
  const open = channelResponse(heard(COAXIAL), null);
  const passed = channelResponse(heard({ ...COAXIAL, line }), null);
  expect(open?.electrical[0]?.band.upper.every((db) => Math.abs(db) < 1e-9)).toBe(true);
  expect(passed?.electrical[0]?.band.upper[0]).toBeLessThan(-20);
  const at = open?.frequenciesHz.findIndex((hz) => hz > 150) ?? 0;
  expect((open?.seat?.middle[at] ?? 0) - (passed?.seat?.middle[at] ?? 0)).toBeGreaterThan(20);
  expect(open?.before).toBeNull();
  expect(open?.change).toBeNull();
});

test('two on one channel of which nobody tested a wire may cancel each other’s bass', () => {
  const second = { ...COAXIAL, label: 'Rear door, left' };
  const bassOf = (isPolarityTested: boolean) => {
    const { loads, ...rest } = heard(COAXIAL, second);
    const found = channelResponse({ loads: loads.map((each) => ({ ...each, isPolarityTested })), ...rest }, null);
    return found?.seat?.lower[0] ?? 0;
  };
  expect(bassOf(true) - bassOf(false)).toBeGreaterThan(10);
});

test('a channel that sends bass only gives a new coaxial’s tweeter nothing, and what it took from the old one it takes from the new one', () => {
  const bass = (channel: HeardChannel): HeardChannel => ({ ...channel, band: 'bass' });
  const [full, cut] = [
    channelResponse(heard(COAXIAL), heard(OLD)),
    channelResponse(bass(heard(COAXIAL)), bass(heard(OLD))),
  ];
  const last = (full?.frequenciesHz.length ?? 0) - 1;
  expect((full?.seat?.middle[last] ?? 0) - (cut?.seat?.middle[last] ?? 0)).toBeGreaterThan(40);
  expect(cut?.change?.[0]?.db.middle).toBeCloseTo(full?.change?.[0]?.db.middle ?? 99, 0);
});

test('where nobody knows the ohms there is no response, where nobody knows how sensitive none at the seat, and neither is invented', () => {
  expect(channelResponse(heard(COAXIAL, { ...TWEETER, kind: null }), null)).toBeNull();
  expect(channelResponse(heard(plainLoad({}, {})), null)).toBeNull();
  const unrated = channelResponse(heard(COAXIAL, { ...TWEETER, sensitivity: null }), heard(OLD));
  expect(unrated?.electrical.map(({ label }) => label)).toEqual(['Front door, left', 'Sail panel, left']);
  expect(unrated?.seat).toBeNull();
  expect(unrated?.change).toBeNull();
  // What was there before may be anything, and still tells what changes.
  expect(
    channelResponse(heard(COAXIAL), heard({ ...OLD, electrics: plainLoad({}, {}).electrics }))?.change,
  ).not.toBeNull();
  expect(channelResponse(heard(COAXIAL), heard({ ...OLD, kind: null }))?.before).toBeNull();
});

const anyLoad = fc.record({
  kind: fc.constantFrom('coaxial', 'component woofer', 'full range', 'tweeter'),
  isNew: fc.boolean(),
  before: fc.constantFrom(
    { kind: 'nothing' },
    { kind: 'notLooked' },
    { kind: 'capacitor', farad: null },
    { kind: 'filter', highPass: { hz: 3000, order: 2 }, lowPass: null },
  ),
  ohm: fc.constantFrom(2, 4, 8),
});

test('property: every figure of every channel is one, in its order', () => {
  fc.assert(
    fc.property(
      fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
      fc.constantFrom<'parallel' | 'series'>('parallel', 'series'),
      fc.constantFrom<HeardChannel['band']>('full', 'bass', 'treble', 'voices'),
      (loads, joined, band) => {
        const all = loads.map(({ ohm, ...rest }, at) => ({
          load: plainLoad(
            { ...(rest as Partial<ChannelLoad>), label: `${at}`, sensitivity: RATED },
            { nominalOhm: ohm },
          ),
          isPolarityTested: at % 2 === 0,
        }));
        const found = responseOf({ loads: all, joined, band }, { loads: all.slice(0, 1), joined, band }, 20);
        const bands = [...(found?.electrical.map(({ band }) => band) ?? []), found?.seat, found?.before];
        expect(bands).toHaveLength(all.length + 2);
        const isInOrder = (band: Band | null | undefined) =>
          band?.middle.every(
            (middle, at) =>
              Number.isFinite(middle) && (band.lower[at] as number) <= middle && middle <= (band.upper[at] as number),
          );
        expect(bands.map(isInOrder)).toEqual(bands.map(() => true));
      },
    ),
    { numRuns: 10 },
  );
});

/** Everything is drawn anew here: voltages by the nodes, what the car does by its words, sums by complex figures. */
test('the band at the seat holds 95 in 100 of 10,000 draws, and is at most 1.2 times as wide as theirs', () => {
  const loads = [COAXIAL, TWEETER];
  const { known } = knownLoads(loads);
  const found = responseOf(
    { loads: loads.map((load) => ({ load, isPolarityTested: false })), joined: 'parallel', band: 'bass' },
    null,
  );
  const [seat, frequenciesHz] = [found?.seat, found?.frequenciesHz];
  if (!seat || !frequenciesHz) throw new Error('expected a response');
  const places = frequenciesHz.map((_, at) => at).filter((at) => at % 20 === 0);
  const hz = Float64Array.from(places, (at) => frequenciesHz[at] as number);
  const random = seededRandom(2026);
  const between = ({ least, most }: { readonly least: number; readonly most: number }) =>
    least + (most - least) * random();
  const columns = Array.from(hz, () => new Float64Array(10_000));
  const out = { re: 0, im: 0 };
  for (let draw = 0; draw < 10_000; draw++) {
    const drivers = known.map(({ ranges }) => driverAt(ranges, [random(), random(), random(), random(), random()]));
    const parts = channelLadders(
      known,
      drivers,
      'parallel',
      known.map(() => takenAt(random())),
    ).flat();
    const solved = solveNetwork(parts, SOURCE, hz);
    if (!solved.ok) throw new Error(solved.failure);
    const speakers = known.map(({ load }, each) => {
      const { db, uncertaintyDb } = levelOf(load) ?? { db: Number.NaN, uncertaintyDb: Number.NaN };
      const edge = Math.sqrt(3) * uncertaintyDb;
      return {
        ...{
          kind: load.kind ?? 'coaxial',
          missed: between(MISSED_INDUCTANCE),
          driver: drivers[each] as Driver,
          endHz: between(UPPER_END_HZ[load.kind ?? 'coaxial']),
        },
        ...{ metres: between(SEAT.distanceM), past: between(SEAT.pastTheEarDbPerOctave) },
        db: between({ least: db - edge, most: db + edge }),
        sign: random() < 0.5 ? -1 : 1,
      };
    });
    const lift = [between(SEAT.liftHz), between(SEAT.liftDbPerOctave)] as const;
    // An octave is as likely as another.
    const ends = 2 ** between({ least: Math.log2(150), most: Math.log2(5000) });
    const ripple = [between(SEAT.rippleDb), between(SEAT.ripplesPerOctave), random()] as const;
    for (const [at, each] of hz.entries()) {
      let [re, im] = [0, 0];
      for (const [which, { metres, past, db, sign, ...cone }] of speakers.entries()) {
        driverSound(cone, each, out);
        const volt = solved.value.across.get(driverId(which)) as ComplexColumn;
        const [vRe, vIm] = [volt.re[at] as number, volt.im[at] as number];
        const angle = Math.atan2(out.im, out.re) + Math.atan2(vIm, vRe) - (2 * Math.PI * each * metres) / 343;
        const octaves = each > 2000 ? Math.log2(each / 2000) : 0;
        const size = (sign * sizeOf(out) * Math.hypot(vRe, vIm) * 10 ** ((db - past * octaves) / 20)) / metres;
        re += size * Math.cos(angle);
        im += size * Math.sin(angle);
      }
      const below = each < lift[0] ? lift[1] * Math.log2(lift[0] / each) : 0;
      const wave = ripple[0] * Math.sin(2 * Math.PI * (ripple[1] * Math.log2(each) + ripple[2]));
      const sent = -20 * Math.log10(Math.hypot(1, (each / ends) ** 2));
      (columns[at] as Float64Array)[draw] = 20 * Math.log10(Math.hypot(re, im)) + below + wave + sent;
    }
  }
  for (const [each, column] of columns.entries()) {
    const at = places[each] as number;
    const [lower, upper] = [seat.lower[at] as number, seat.upper[at] as number];
    const inside = column.filter((db) => db >= lower && db <= upper).length / column.length;
    expect(inside).toBeGreaterThan(0.93);
    expect(inside).toBeLessThan(0.97);
    const sorted = column.sort();
    expect(upper - lower).toBeLessThan(1.2 * ((sorted[9749] as number) - (sorted[250] as number)));
  }
});
