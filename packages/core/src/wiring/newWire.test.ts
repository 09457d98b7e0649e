/** New wire and the feed of an amplifier, against published tables and by hand. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gaugeOfArea, METRIC_AREAS_MM2, ohmOfMetre } from './copper';
import { conductorOhm } from './gauge';
import { powerFeed } from './powerFeed';
import { signalWire } from './signalWire';

test('what IEC 60228 lets a flexible conductor have is a little more than so much solid copper has by IEC 60028', () => {
  for (const area of METRIC_AREAS_MM2) {
    const ratio = ohmOfMetre(area) / conductorOhm(area, 1);
    expect(ratio).toBeGreaterThan(1);
    expect(ratio).toBeLessThan(1.18);
  }
  expect(() => ohmOfMetre(3)).toThrow('expected one of 0.5, 0.75');
});

/** What is sold for each other (common practice, from memory). */
test.each([
  [0.75, '18 AWG'],
  [1.5, '16 AWG'],
  [2.5, '14 AWG'],
  [4, '12 AWG'],
  [10, '8 AWG'],
  [25, '4 AWG'],
  [50, '1/0 AWG'],
])('%f mm² goes as %s', (area, gauge) => {
  expect(gaugeOfArea(area)).toBe(gauge);
});

test('the pair to a woofer in a door: way, slack at hinge and radio, and its loss by hand', () => {
  const { lengthM, areaMm2, lossDb } = signalWire(3, 4, { isInDoor: true, isTweeter: false });
  expect(lengthM).toBeCloseTo(3.6, 12);
  expect(areaMm2).toBe(1.5);
  // 2 × 3.6 m × 13.3 mΩ/m = 95.8 mΩ beside 4 Ω.
  expect(lossDb).toBeCloseTo(20 * Math.log10(4.09576 / 4), 9);
  expect(signalWire(2, 4, { isInDoor: false, isTweeter: true })).toMatchObject({ areaMm2: 0.75 });
  expect(signalWire(6, 2, { isInDoor: false, isTweeter: false }).areaMm2).toBe(4);
});

test('a longer way never takes a thinner wire, and less than 0.3 dB is lost wherever a wire can do it', () => {
  const way = fc.double({ min: 0.5, max: 15, noNaN: true });
  fc.assert(
    fc.property(way, way, fc.constantFrom(2, 4, 8), (a, b, ohm) => {
      const [short, long] = [Math.min(a, b), Math.max(a, b)].map((each) =>
        signalWire(each, ohm, { isInDoor: true, isTweeter: false }),
      );
      expect(long?.areaMm2).toBeGreaterThanOrEqual(short?.areaMm2 as number);
      expect(long?.lossDb).toBeLessThanOrEqual(0.3);
    }),
  );
});

test('300 W RMS, 5 m from the battery, by hand', () => {
  // 300 / 0.6 / 13.8 = 36.2 A: a fuse of 40; 10 mm² would lose 0.69 V, 16 loses 0.44.
  expect(powerFeed(300, 5)).toMatchObject({ fuseA: 40, areaMm2: 16 });
  expect(powerFeed(300, 5)?.ampere).toBeCloseTo(36.23, 2);
  expect(powerFeed(300, 5)?.dropV).toBeCloseTo(2 * 5 * 0.00121 * 36.232, 3);
  expect(powerFeed(3000, 5)).toBeNull();
});

test('a fuse never lets more through than its cable stands', () => {
  const stands: Readonly<Record<number, number>> = {
    2.5: 30,
    4: 40,
    6: 50,
    10: 70,
    16: 100,
    25: 130,
    35: 160,
    50: 200,
  };
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 1500, noNaN: true }),
      fc.double({ min: 0.5, max: 8, noNaN: true }),
      (watt, m) => {
        const feed = powerFeed(watt, m);
        if (!feed) return;
        expect(feed.fuseA).toBeGreaterThanOrEqual(feed.ampere);
        expect(feed.fuseA).toBeLessThanOrEqual(stands[feed.areaMm2] as number);
        expect(feed.dropV).toBeLessThanOrEqual(0.5);
      },
    ),
  );
});
