/** High-passes in series, held against closed forms: 1/C adds, and so do the corners of first order. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plainLoad } from '../../testing/plainLoad';
import type { Before, ChannelLoad, FromCrossover } from './channelNetwork';
import { highPassesInSeries } from './highPassesInSeries';
import type { LadderOrder } from './ladder';

const NO_LINE = { lowPass: null, pad: null };

function load(fields: Partial<ChannelLoad>, nominalOhm: number | null = 4): ChannelLoad {
  return plainLoad({ kind: 'tweeter', ...fields }, { nominalOhm, coilOhm: 3.6, resonanceHz: 1200, totalQ: 1 });
}
const capacitor = (microfarad: number | null): Before => ({
  kind: 'capacitor',
  farad: microfarad === null ? null : microfarad * 1e-6,
});
const output = (hz: number, order: LadderOrder, isOfSet: boolean | null = true): FromCrossover => ({
  name: 'left',
  isOfSet,
  to: 'tweeter',
  filter: { highPass: { hz, order }, lowPass: null },
});
/** @see any textbook: f = 1 / (2πRC) */
const firstOrderHz = (ohm: number, microfarad: number) => 1e6 / (2 * Math.PI * ohm * microfarad);

test('one alone, or none, is no two in series; and with nothing printed on the driver there is no figure', () => {
  expect(highPassesInSeries(load({}))).toBeNull();
  expect(highPassesInSeries(load({ before: capacitor(4.7) }))).toBeNull();
  expect(highPassesInSeries(load({ before: { kind: 'notLooked' }, crossover: output(3500, 1) }))).toBeNull();
  expect(highPassesInSeries(load({ before: capacitor(4.7), crossover: output(3500, 1) }, null))).toBeNull();
});

describe('of first order', () => {
  test('4.7 µF in the lead behind a set’s 3.5 kHz, into 4 Ω', () => {
    const found = highPassesInSeries(load({ before: capacitor(4.7), crossover: output(3500, 1) }));
    const ofLead = firstOrderHz(4, 4.7);
    expect(found?.alone.map(({ of }) => of)).toEqual(['crossover', 'lead']);
    expect(found?.alone[0]?.hz.least).toBeCloseTo(3500, 2);
    expect(found?.alone[1]?.hz.most).toBeCloseTo(ofLead, 2);
    expect(found?.together.least).toBeCloseTo(3500 + ofLead, 2);
    expect(found?.ohm).toBe(4);
  });

  test('whatever their corners are, all of them together have their sum', () => {
    const anyHz = fc.double({ min: 40, max: 12_000, noNaN: true });
    const anyOhm = fc.constantFrom(2, 3, 4, 6, 8);
    fc.assert(
      fc.property(anyHz, anyHz, anyHz, anyOhm, (first, second, third, ohm) => {
        const microfarad = firstOrderHz(ohm, second);
        const found = highPassesInSeries(
          load(
            {
              crossover: output(first, 1),
              line: { ...NO_LINE, highPass: { capacitorUf: microfarad, coilMh: null } },
              before: { kind: 'filter', highPass: { hz: third, order: 1 }, lowPass: { hz: 19_000, order: 2 } },
            },
            ohm,
          ),
        );
        expect(found?.alone.map(({ of }) => of)).toEqual(['crossover', 'line', 'lead']);
        expect((found?.together.least as number) / (first + second + third)).toBeCloseTo(1, 5);
        expect(found?.together.most).toBe(found?.together.least);
      }),
    );
  });

  test('a capacitor that nobody read is any usual one: from 3.3 to 10 µF', () => {
    const found = highPassesInSeries(load({ before: capacitor(null), crossover: output(3500, 1) }));
    expect(found?.together.least).toBeCloseTo(3500 + firstOrderHz(4, 10), 2);
    expect(found?.together.most).toBeCloseTo(3500 + firstOrderHz(4, 3.3), 2);
  });

  test('a pad, a low-pass, and whether the set evens out its own speakers change nothing of where they begin', () => {
    const bare = highPassesInSeries(load({ before: capacitor(4.7), crossover: output(3500, 1, false) }));
    const line = { highPass: null, lowPass: { coilMh: 1, capacitorUf: null }, pad: { seriesOhm: 2, parallelOhm: 4 } };
    expect(highPassesInSeries(load({ before: capacitor(4.7), crossover: output(3500, 1, null), line }))).toEqual(bare);
  });
});

describe('of higher orders', () => {
  test('each alone is 3 dB down at its corner, as a Butterworth is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<LadderOrder>(1, 2, 3, 4),
        fc.constantFrom<LadderOrder>(1, 2, 3, 4),
        fc.integer({ min: 500, max: 8000 }),
        (first, second, hz) => {
          const before: Before = { kind: 'filter', highPass: { hz: 2 * hz, order: second }, lowPass: null };
          const found = highPassesInSeries(load({ crossover: output(hz, first), before }));
          expect((found?.alone[0]?.hz.least as number) / hz).toBeCloseTo(1, 5);
          expect((found?.alone[1]?.hz.least as number) / (2 * hz)).toBeCloseTo(1, 5);
        },
      ),
    );
  });

  /**
   * A second-order Butterworth of corner 1 rad/s (C = 1/√2, L = √2 into 1 Ω), then a capacitor of 1/k in the line to the resistance. At the node
   * between them (1 − A) s C = A / (s L) + A s / (k + s), and A s / (k + s) reaches the resistance:
   * H = s³ / (s³ + (√2 + k) s² + s + k). With k = 0 it is the Butterworth alone.
   */
  test('a capacitor behind a second order: the cubic of its node equations', () => {
    const k = 2;
    const size = (w: number) => {
      const [re, im] = [k - (Math.SQRT2 + k) * w * w, w - w ** 3];
      return w ** 3 / Math.hypot(re, im);
    };
    const found = highPassesInSeries(
      load({
        crossover: output(3000, 2),
        before: { kind: 'filter', highPass: { hz: 3000 * k, order: 1 }, lowPass: null },
      }),
    );
    expect(size((found?.together.least as number) / 3000)).toBeCloseTo(Math.SQRT1_2, 5);
    expect(found?.together.least as number).toBeGreaterThan(6000);
  });
});
