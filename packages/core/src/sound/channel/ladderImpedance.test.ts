/** Ladders are reduced to what the nodes say of the same channel, its impedance and the voltages at its drivers. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { leastImpedance, solveNetwork } from '../network/solveNetwork';
import { type Before, type ChannelLoad, channelLadders, driverId, knownLoads, SOURCE } from './channelNetwork';
import type { DriverKind } from './electrics';
import { driverAt } from './electrics';
import { channelSizes, driverVoltages } from './ladderImpedance';

const place = fc.double({ min: 0, max: 1, noNaN: true });
const corner = fc.record({ hz: fc.integer({ min: 40, max: 8000 }), order: fc.constantFrom<1 | 2 | 3 | 4>(1, 2, 3, 4) });
const before = fc.oneof(
  fc.constantFrom<Before>({ kind: 'nothing' }, { kind: 'notLooked' }, { kind: 'capacitor', farad: null }),
  fc.record({ kind: fc.constant('filter' as const), highPass: fc.option(corner), lowPass: fc.option(corner) }),
);
const line = fc.option(
  fc.record({
    highPass: fc.option(
      fc.record({ capacitorUf: fc.integer({ min: 1, max: 700 }), coilMh: fc.option(fc.constant(0.33)) }),
    ),
    lowPass: fc.option(fc.record({ coilMh: fc.constant(1.2), capacitorUf: fc.option(fc.constant(22)) })),
    pad: fc.option(fc.record({ seriesOhm: fc.constant(2.2), parallelOhm: fc.option(fc.constant(4.7)) })),
  }),
);
const crossover = fc.option(
  fc.record({
    name: fc.constant('front left'),
    isOfSet: fc.option(fc.boolean()),
    to: fc.constantFrom('tweeter', 'woofer'),
    filter: fc.option(fc.record({ highPass: fc.option(corner), lowPass: fc.option(corner) })),
  }),
);
const load = fc
  .record({
    kind: fc.constantFrom<DriverKind>('coaxial', 'component woofer', 'full range', 'tweeter'),
    ohm: fc.constantFrom(2, 4, 8),
    before,
    line,
    crossover,
    at: fc.tuple(place, place, place, place, place),
  })
  .map(({ ohm, at, ...rest }) => ({
    at,
    load: {
      ...{ label: rest.kind, isNew: true, isInDoor: true, rmsW: null, sensitivity: null, ...rest },
      electrics: { nominalOhm: ohm, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
    } satisfies ChannelLoad,
  }));

test('whatever lies before the drivers, side by side and one after the other', () => {
  fc.assert(
    fc.property(
      fc.array(load, { minLength: 1, maxLength: 4 }),
      fc.constantFrom('parallel', 'series'),
      (drawn, joined) => {
        const { known } = knownLoads(drawn.map((each) => each.load));
        const drivers = known.map(({ ranges }, each) =>
          driverAt(ranges, drawn[each]?.at as [number, number, number, number, number]),
        );
        const taken = known.map(() => ({ farad: 4.7e-6, isThere: true }));
        const hz = Float64Array.from([20, 55, 150, 400, 1100, 3000, 8000, 20_000]);
        const ladders = channelLadders(known, drivers, joined, taken);
        const found = channelSizes(ladders, joined, hz);
        const solved = solveNetwork(ladders.flat(), SOURCE, hz);
        if (!solved.ok) throw new Error(solved.failure);
        const { re, im } = solved.value.impedance;
        for (const [at, size] of found.entries())
          expect(Math.abs(size / Math.hypot(re[at] as number, im[at] as number) - 1)).toBeLessThan(1e-6);
        expect(Math.abs(Math.min(...found) / leastImpedance(solved.value).ohm - 1)).toBeLessThan(1e-6);
        for (const [each, { re: real, im: imaginary }] of driverVoltages(ladders, joined, hz).entries()) {
          const across = solved.value.across.get(driverId(each));
          if (!across) throw new Error(`no voltage at ${driverId(each)}`);
          for (const at of hz.keys()) {
            const off = Math.hypot((real[at] ?? 0) - (across.re[at] ?? 0), (imaginary[at] ?? 0) - (across.im[at] ?? 0));
            expect(off).toBeLessThan(1e-6 * Math.max(1, Math.hypot(across.re[at] ?? 0, across.im[at] ?? 0)));
          }
        }
      },
    ),
    { numRuns: 300 },
  );
});
