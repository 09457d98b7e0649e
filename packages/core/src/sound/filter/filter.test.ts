/** Filters and pads as they are designed, and what they really do, against closed forms. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Between, DriverRanges } from '../channel/electrics';
import { driverRanges } from '../channel/electrics';
import { exactFilter, madeFilter } from './designFilter';
import { filterEffect, filterResponse, peakVolts } from './filterEffect';
import { isEmptyFilter, type LineFilter, linePartsWords } from './LineFilter';
import { usualHighPass } from './usualCorner';

const exactly = (value: number): Between => ({ least: value, most: value });
/** A driver that is its coil alone: its resonance lies far below what is heard, and has no peak. */
const resistor = (ohm: number): DriverRanges => ({
  coilOhm: exactly(ohm),
  coilHenry: exactly(0),
  resonanceHz: exactly(0.001),
  mechanicalQ: exactly(1e-3),
  electricalQ: exactly(1e3),
});
const NOTHING: LineFilter = { highPass: null, lowPass: null, pad: null };
const asked = { highPass: null, lowPass: null, padDb: 0 } as const;

describe('a design', () => {
  test('of first order is the textbook’s: C = 1 / (2π f R), L = R / (2π f)', () => {
    const high = exactFilter({ ...asked, highPass: { hz: 5000, order: 1 } }, 4);
    expect(high.highPass?.capacitorUf).toBeCloseTo(7.9577, 4);
    expect(high.highPass?.coilMh).toBeNull();
    const low = exactFilter({ ...asked, lowPass: { hz: 300, order: 1 } }, 8);
    expect(low.lowPass?.coilMh).toBeCloseTo(4.2441, 4);
  });

  test('of second order is Butterworth’s: C = 0.1125 / (f R), L = 0.2251 R / f', () => {
    const { highPass, lowPass } = exactFilter(
      { highPass: { hz: 3000, order: 2 }, lowPass: { hz: 3000, order: 2 }, padDb: 0 },
      4,
    );
    for (const each of [highPass, lowPass]) {
      expect(each?.capacitorUf).toBeCloseTo((0.112_54 / (3000 * 4)) * 1e6, 2);
      expect(each?.coilMh).toBeCloseTo(((0.225_08 * 4) / 3000) * 1e3, 3);
    }
  });

  test('of a pad keeps the load, and takes as many decibels as asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 16, noNaN: true }),
        (padDb, ohm) => {
          const { pad } = exactFilter({ ...asked, padDb }, ohm);
          const [series, parallel] = [pad?.seriesOhm as number, pad?.parallelOhm as number];
          const both = (parallel * ohm) / (parallel + ohm);
          expect(series + both).toBeCloseTo(ohm, 9);
          expect(20 * Math.log10(both / (series + both))).toBeCloseTo(-padDb, 9);
        },
      ),
    );
    // The 4 Ω pad of 6 dB of the tables: 2 Ω in the line, 4 Ω across (common practice, from memory).
    expect(madeFilter({ ...asked, padDb: 6 }, 4).pad).toEqual({ seriesOhm: 2, parallelOhm: 3.9 });
  });

  test('is made of parts that are sold', () => {
    expect(madeFilter({ ...asked, highPass: { hz: 5000, order: 2 }, padDb: 3 }, 4)).toEqual({
      highPass: { capacitorUf: 5.6, coilMh: 0.18 },
      lowPass: null,
      pad: { seriesOhm: 1.2, parallelOhm: 10 },
    });
  });

  test('for no ohms is none', () => {
    expect(() => exactFilter({ ...asked, padDb: 3 }, 0)).toThrow('expected ohms above 0');
  });
});

describe('what it does', () => {
  test('before a resistance is what it was designed for', () => {
    const orders = fc.constantFrom<1 | 2>(1, 2);
    fc.assert(
      fc.property(
        orders,
        fc.double({ min: 200, max: 4000, noNaN: true }),
        fc.double({ min: 2, max: 16, noNaN: true }),
        (order, hz, ohm) => {
          const high = filterEffect(exactFilter({ ...asked, highPass: { hz, order } }, ohm), resistor(ohm), ohm);
          const low = filterEffect(exactFilter({ ...asked, lowPass: { hz, order } }, ohm), resistor(ohm), ohm);
          expect((high.highPassHz?.likely as number) / hz).toBeCloseTo(1, 1);
          expect((low.lowPassHz?.likely as number) / hz).toBeCloseTo(1, 1);
          expect(high.lowPassHz).toBeNull();
        },
      ),
      { numRuns: 12 },
    );
    const { highPassHz } = filterEffect(exactFilter({ ...asked, highPass: { hz: 1000, order: 1 } }, 4), resistor(4), 4);
    expect(Math.abs((highPassHz?.likely as number) / 1000 - 1)).toBeLessThan(0.005);
  });

  test('the heat of a pad and of its driver is all that the amplifier gives', () => {
    const filter = exactFilter({ ...asked, padDb: 6 }, 4);
    const { heatRatios, levelDb } = filterEffect(filter, resistor(4), 4);
    expect(levelDb.likely).toBeCloseTo(-6, 6);
    const inDriver = 10 ** (-6 / 10);
    const [series, parallel] = heatRatios.map(({ ratio }) => ratio);
    expect((series as number) + (parallel as number) + inDriver).toBeCloseTo(1, 6);
    expect(heatRatios.map(({ name }) => name)).toEqual(['seriesOhm', 'parallelOhm']);
  });

  test('before a tweeter nobody measured it is told with its doubt, and that a nominal value is none', () => {
    const tweeter = driverRanges('tweeter', {
      nominalOhm: 4,
      coilOhm: null,
      coilMh: null,
      resonanceHz: null,
      totalQ: null,
    });
    const { highPassHz, levelDb } = filterEffect(
      { ...NOTHING, highPass: { capacitorUf: 4.7, coilMh: null } },
      tweeter as DriverRanges,
      4,
    );
    const { likely, lower, upper } = highPassHz as NonNullable<typeof highPassHz>;
    // By its nominal value it would be 1 / (2π 4.7 µF 4 Ω) = 8466 Hz.
    expect(Math.abs(likely / 8466 - 1)).toBeGreaterThan(0.1);
    expect(lower).toBeLessThan(likely);
    expect(upper).toBeGreaterThan(likely);
    expect(upper / lower).toBeGreaterThan(1.15);
    // Its coil's inductance rings with the capacitor: there it plays a little louder than without.
    expect(levelDb.likely).toBeLessThan(3);
  });

  test('of nothing is nothing', () => {
    expect(isEmptyFilter(NOTHING)).toBe(true);
    const { highPassHz, lowPassHz, levelDb, heatRatios } = filterEffect(NOTHING, resistor(4), 4);
    expect([highPassHz, lowPassHz, heatRatios]).toEqual([null, null, []]);
    expect(levelDb.likely).toBeCloseTo(0, 9);
    expect(linePartsWords(NOTHING)).toBe('');
  });

  test('a smaller capacitor never lets the corner down', () => {
    const ranges = driverRanges('coaxial', {
      nominalOhm: 4,
      coilOhm: 3.4,
      coilMh: 0.1,
      resonanceHz: 80,
      totalQ: 0.7,
    }) as DriverRanges;
    const corners = [330, 220, 150, 100, 68].map(
      (capacitorUf) =>
        filterEffect({ ...NOTHING, highPass: { capacitorUf, coilMh: null } }, ranges, 4).highPassHz?.likely as number,
    );
    expect(corners).toEqual([...corners].sort((a, b) => a - b));
  });
});

test.each([
  ['tweeter', '1 in', null, 5000],
  ['tweeter', '1 in', 1800, 4500],
  ['coaxial', '6.5 in', null, 55],
  ['coaxial', '5.25 in', null, 80],
  ['full range', '4×6', null, 110],
  ['full range', '3.5 in', null, 175],
  [null, '', null, 55],
] as const)('a usual high-pass of a %s of %s lies at its corner', (kind, nominalSize, resonanceHz, hz) => {
  expect(usualHighPass(kind, nominalSize, resonanceHz)).toEqual({ hz, order: 1 });
});

test('in words', () => {
  expect(
    linePartsWords({
      highPass: { capacitorUf: 4.7, coilMh: 0.33 },
      lowPass: { coilMh: 1.2, capacitorUf: null },
      pad: { seriesOhm: 2.7, parallelOhm: 3.3 },
    }),
  ).toBe('4.7 µF in the line, 0.33 mH across it; 1.2 mH in the line; pad 2.7 Ω in the line, 3.3 Ω across it');
});

test('100 W into 4 Ω swing to 28.3 V', () => {
  expect(peakVolts(100, 4)).toBeCloseTo(28.28, 2);
});

/** A generator of its own: the draws of `filterEffect` are a lattice. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

test.each([
  ['tweeter', { ...NOTHING, highPass: { capacitorUf: 4.7, coilMh: null } }, 'highPassHz'],
  ['coaxial', { ...NOTHING, highPass: { capacitorUf: 330, coilMh: null } }, 'highPassHz'],
  ['component woofer', { ...NOTHING, lowPass: { coilMh: 1.2, capacitorUf: null } }, 'lowPassHz'],
] as const)('of a thousand %ss as they may be, so many lie within as it says', (kind, filter, figure) => {
  const unsaid = { nominalOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null };
  const ranges = driverRanges(kind, unsaid) as DriverRanges;
  const told = filterEffect(filter, ranges, 4)[figure] as NonNullable<ReturnType<typeof filterEffect>['highPassHz']>;
  const random = randomFrom(7);
  const found = Array.from({ length: 1000 }, () => {
    const at = (range: Between) => exactly(range.least + (range.most - range.least) * random());
    const one = Object.fromEntries(Object.entries(ranges).map(([key, range]) => [key, at(range)])) as DriverRanges;
    return filterResponse(filter, one)[figure];
  }).sort((a, b) => a - b);
  const inside = found.filter((hz) => hz >= told.lower && hz <= told.upper).length;
  expect(inside).toBeGreaterThan(925);
  const [from, to] = [found[25] as number, found[974] as number];
  expect(told.upper - told.lower).toBeLessThan(1.25 * (to - from));
});
