/** Ladders against the closed forms of Butterworth's filters. */
import { expect, test } from '@jest/globals';
import type { NetworkPart } from '../network/parts';
import { type ComplexColumn, GROUND, solveNetwork } from '../network/solveNetwork';
import { highPassParts, type LadderOrder, lowPassParts } from './ladder';

const OHM = 4;
const CORNER_HZ = 1000;
const FREQUENCIES = Float64Array.from([100, 500, 1000, 2000, 10_000]);

/** Of the voltage at the end, against the source's. */
function responses(make: typeof highPassParts, order: LadderOrder): readonly number[] {
  const end: NetworkPart = { id: 'end', from: 'out', to: GROUND, kind: 'resistor', ohm: OHM };
  const ladder = { id: 'filter', from: 'in', to: 'out', ground: GROUND, ohm: OHM };
  const solved = solveNetwork([...make(ladder, { hz: CORNER_HZ, order }), end], 'in', FREQUENCIES);
  if (!solved.ok) throw new Error(solved.failure);
  const { re, im } = solved.value.across.get('end') as ComplexColumn;
  return [...re].map((each, at) => Math.hypot(each, im[at] as number));
}

test.each([1, 2, 3, 4] as const)(
  'of order %i each falls as Butterworth’s: 1 / √(1 + x^2n), 3 dB down at its corner',
  (order) => {
    const low = responses(lowPassParts, order);
    const high = responses(highPassParts, order);
    for (const [at, hz] of FREQUENCIES.entries()) {
      const x = hz / CORNER_HZ;
      expect(low[at]).toBeCloseTo(1 / Math.sqrt(1 + x ** (2 * order)), 5);
      expect(high[at]).toBeCloseTo(1 / Math.sqrt(1 + x ** (-2 * order)), 5);
    }
    expect(20 * Math.log10(low[2] as number)).toBeCloseTo(-10 * Math.log10(2), 4);
  },
);

test('the first order’s capacitor is the handbook’s: C = 1/(2π f R), 10 µF at 4 kHz into 4 Ω', () => {
  const [part] = highPassParts({ id: 'f', from: 'a', to: 'b', ground: GROUND, ohm: 4 }, { hz: 4000, order: 1 });
  expect(part).toMatchObject({ kind: 'capacitor' });
  expect(part?.kind === 'capacitor' && part.farad * 1e6).toBeCloseTo(9.947, 3);
});
