import { describe, expect, test } from '@jest/globals';
import { studentTQuantile } from '../math/studentT';
import { combineUncertainty } from './combineUncertainty';

/**
 * JCGM 100:2008, Annex H.1, end-gauge calibration, in nanometres:
 * l = l_S + d − l_S (δα · θ + α_S · δθ), inputs of Table H.1.
 */
describe('JCGM 100:2008, Annex H.1', () => {
  const lengthNm = 50_000_623;

  // H.1.3.2: d from five repeated observations (pooled s = 13 nm, 24 degrees of freedom) and the comparator.
  const difference = combineUncertainty([
    { sensitivity: 1, standardUncertainty: 13 / Math.sqrt(5), degreesOfFreedom: 24 },
    { sensitivity: 1, standardUncertainty: 3.9, degreesOfFreedom: 5 },
    { sensitivity: 1, standardUncertainty: 6.7, degreesOfFreedom: 8 },
  ]);

  test('the difference: u(d) = 9.7 nm, ν = 25.6', () => {
    expect(difference.standardUncertainty).toBeCloseTo(9.7, 1);
    expect(difference.degreesOfFreedom).toBeCloseTo(25.6, 0);
  });

  const combined = combineUncertainty([
    { sensitivity: 1, standardUncertainty: 25, degreesOfFreedom: 18 },
    {
      sensitivity: 1,
      standardUncertainty: difference.standardUncertainty,
      degreesOfFreedom: difference.degreesOfFreedom,
    },
    // u(δα) = 0.58e-6 per °C, ν = 50, c = −l_S θ with θ = −0.1 °C: 2.9 nm
    { sensitivity: -lengthNm * -0.1, standardUncertainty: 0.58e-6, degreesOfFreedom: 50 },
    // u(δθ) = 0.029 °C, ν = 2, c = −l_S α_S with α_S = 11.5e-6 per °C: 16.6 nm
    { sensitivity: -lengthNm * 11.5e-6, standardUncertainty: 0.029, degreesOfFreedom: 2 },
    // α_S and θ have sensitivity zero
    { sensitivity: 0, standardUncertainty: 1.2e-6, degreesOfFreedom: null },
    { sensitivity: 0, standardUncertainty: 0.41, degreesOfFreedom: null },
  ]);

  test('the length: u_c = 32 nm, ν_eff = 16 after truncation', () => {
    expect(Math.round(combined.standardUncertainty)).toBe(32);
    expect(Math.floor(combined.degreesOfFreedom ?? 0)).toBe(16);
  });

  test('expanded: t_99(16) = 2.92, U_99 = 93 nm', () => {
    const factor = studentTQuantile(0.995, 16);
    expect(factor).toBeCloseTo(2.92, 2);
    // H.1.6 multiplies the rounded figures: 2.92 × 32 nm = 93 nm.
    expect(Math.round(factor * Math.round(combined.standardUncertainty))).toBe(93);
  });
});

test('infinite degrees of freedom stay infinite, and nothing gives nothing', () => {
  expect(combineUncertainty([{ sensitivity: 3, standardUncertainty: 2, degreesOfFreedom: null }])).toEqual({
    standardUncertainty: 6,
    degreesOfFreedom: null,
    rectangularShare: 0,
  });
  expect(combineUncertainty([])).toEqual({ standardUncertainty: 0, degreesOfFreedom: null, rectangularShare: 0 });
});

test('one rectangular part of four equal ones is worth a quarter, two of them √2 quarters', () => {
  const part = (isRectangular: boolean) => ({
    sensitivity: 1,
    standardUncertainty: 1,
    degreesOfFreedom: null,
    isRectangular,
  });
  const share = (...parts: boolean[]) => combineUncertainty(parts.map(part)).rectangularShare;
  expect(share(true, false, false, false)).toBeCloseTo(1 / 4, 12);
  expect(share(true, true, false, false)).toBeCloseTo(Math.SQRT2 / 4, 12);
  expect(share(true)).toBe(1);
});

/**
 * JCGM 100:2008, Annex H.2, resistance, reactance and impedance from voltage, current and phase that were read together: inputs
 * and their correlations of Table H.2, results of Table H.4. What is read together shares errors; here as in every gap a shared
 * error is one term of its own, with the sum of what it does.
 */
describe('JCGM 100:2008, Annex H.2', () => {
  const [volt, ampere, phase] = [4.999, 19.661e-3, 1.04446];
  const spreads = [0.0032, 0.0095e-3, 0.00075];
  const [voltAmpere, voltPhase, amperePhase] = [-0.36, 0.86, -0.65];
  // The correlation matrix as a lower triangle times its transpose: three errors of their own, each shared by those below.
  const low = Math.sqrt(1 - voltAmpere ** 2);
  const shared = (amperePhase - voltAmpere * voltPhase) / low;
  const shares = [
    [1, 0, 0],
    [voltAmpere, low, 0],
    [voltPhase, shared, Math.sqrt(1 - voltPhase ** 2 - shared ** 2)],
  ];
  const combined = (slopes: readonly number[]) =>
    combineUncertainty(
      [0, 1, 2].map((error) => ({
        sensitivity: slopes.reduce(
          (sum, slope, input) => sum + slope * (spreads[input] as number) * (shares[input]?.[error] as number),
          0,
        ),
        standardUncertainty: 1,
        degreesOfFreedom: null,
      })),
    ).standardUncertainty;
  const impedance = volt / ampere;
  const [cos, sin] = [Math.cos(phase), Math.sin(phase)];

  test.each([
    ['R = (V/I) cos φ', impedance * cos, 127.732, 0.071, [cos / ampere, (-impedance * cos) / ampere, -impedance * sin]],
    ['X = (V/I) sin φ', impedance * sin, 219.847, 0.295, [sin / ampere, (-impedance * sin) / ampere, impedance * cos]],
    ['Z = V/I', impedance, 254.26, 0.236, [1 / ampere, -impedance / ampere, 0]],
  ] as const)('%s', (_, value, published, uncertainty, slopes) => {
    // The published results come from the readings themselves, the inputs here are rounded as in the table.
    expect(Math.abs(value - published)).toBeLessThan(0.01);
    expect(Math.abs(combined(slopes) - uncertainty)).toBeLessThan(0.0015);
  });
});
