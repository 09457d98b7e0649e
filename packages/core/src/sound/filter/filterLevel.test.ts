/** How much a filter takes over frequency, against closed forms and against draws of another generator. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math';
import { type Between, type DriverRanges, driverAt, driverRanges } from '../channel/electrics';
import { exactFilter } from './designFilter';
import { filterLevel, filterLevelBand } from './filterLevel';
import type { LineFilter } from './LineFilter';
import { voltageBehind } from './voltageBehind';

const exactly = (value: number): Between => ({ least: value, most: value });
/** A driver that is its coil alone. */
const RESISTOR: DriverRanges = {
  ...{ coilOhm: exactly(4), coilHenry: exactly(0), resonanceHz: exactly(0.001) },
  ...{ mechanicalQ: exactly(1e-3), electricalQ: exactly(1e3) },
};
const WOOFER = driverRanges('component woofer', {
  ...{ nominalOhm: 4, coilOhm: 3.3, coilMh: 0.4, resonanceHz: 62, totalQ: 0.6 },
}) as DriverRanges;
const NOTHING: LineFilter = { highPass: null, lowPass: null, pad: null };
const none = { highPass: null, lowPass: null, padDb: 0 } as const;

describe('before a resistance it is the closed form', () => {
  test.each([
    [
      'first order from 500 Hz',
      exactFilter({ ...none, highPass: { hz: 500, order: 1 } }, 4),
      (hz: number) => 1 / Math.hypot(1, 500 / hz),
    ],
    [
      'Butterworth’s second order from 500 Hz',
      exactFilter({ ...none, highPass: { hz: 500, order: 2 } }, 4),
      (hz: number) => 1 / Math.sqrt(1 + (500 / hz) ** 4),
    ],
    [
      'Butterworth’s second order up to 2 kHz',
      exactFilter({ ...none, lowPass: { hz: 2000, order: 2 } }, 4),
      (hz: number) => 1 / Math.sqrt(1 + (hz / 2000) ** 4),
    ],
    ['a pad of 6 dB', exactFilter({ ...none, padDb: 6 }, 4), () => 10 ** (-6 / 20)],
  ] as const)('%s', (_what, filter, ratio) => {
    const { frequenciesHz, likelyDb } = filterLevel(filter, RESISTOR);
    for (const [at, hz] of frequenciesHz.entries()) expect(likelyDb[at]).toBeCloseTo(20 * Math.log10(ratio(hz)), 2);
    // Nothing of it is unknown: the band is a line.
    const { lowerDb, upperDb } = filterLevelBand(filter, RESISTOR);
    expect(lowerDb).toEqual(upperDb);
  });
});

test('nothing in the line takes nothing, of whatever driver', () => {
  const { likelyDb, lowerDb, upperDb } = filterLevelBand(NOTHING, WOOFER);
  for (const column of [likelyDb, lowerDb, upperDb]) for (const db of column) expect(db).toBeCloseTo(0, 9);
});

/** Against 10,000 draws by a generator of their own: the band holds as many as it says, and is no wider than 1.2 times theirs. */
test.each<[string, DriverRanges, LineFilter]>([
  [
    'a woofer of which only the ohms are known, behind a capacitor',
    driverRanges('component woofer', {
      nominalOhm: 4,
      coilOhm: null,
      coilMh: null,
      resonanceHz: null,
      totalQ: null,
    }) as DriverRanges,
    { ...NOTHING, highPass: { capacitorUf: 470, coilMh: null } },
  ],
  [
    'a woofer with its figures, behind second order and a pad',
    WOOFER,
    { ...NOTHING, highPass: { capacitorUf: 330, coilMh: 10 }, pad: { seriesOhm: 1, parallelOhm: 22 } },
  ],
])('the band of %s', (_name, ranges, filter) => {
  const { frequenciesHz, lowerDb, upperDb } = filterLevelBand(filter, ranges);
  const random = seededRandom(5);
  // Each tenth frequency: a tenth of the work, and no other answer.
  const places = [...frequenciesHz.keys()].filter((at) => at % 10 === 0);
  const those = Float64Array.from(places, (at) => frequenciesHz[at] as number);
  const columns = places.map(() => new Float64Array(10_000));
  for (let draw = 0; draw < 10_000; draw++) {
    const { sizes } = voltageBehind(
      filter,
      driverAt(ranges, [random(), random(), random(), random(), random()]),
      those,
    );
    for (const [each, column] of columns.entries()) column[draw] = 20 * Math.log10(sizes[each] as number);
  }
  for (const [each, at] of places.entries()) {
    const column = columns[each] as Float64Array;
    const [lower, upper] = [lowerDb[at] as number, upperDb[at] as number];
    const inside = column.filter((db) => db >= lower - 1e-9 && db <= upper + 1e-9).length / 10_000;
    column.sort();
    expect(inside).toBeGreaterThan(0.93);
    expect(upper - lower).toBeLessThanOrEqual(1.2 * ((column[9749] as number) - (column[250] as number)) + 1e-9);
  }
});
