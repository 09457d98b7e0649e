/** Plane and curve through depth readings, against a statistics library's least squares (jstat, models.ols). */

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import jstat from 'jstat';
import { fuzzed } from '../../testing/fuzzed';
import { exact, FLAT, opening, within } from '../../testing/shapes';
import { combineUncertainty } from '../../uncertainty/combineUncertainty';
import type { Dimension } from '../../uncertainty/Dimension';
import { type FittedSheet, sheetFit } from './sheetFit';

/** Standard uncertainty of one coefficient of a sheet. */
const uncertaintyOf = ({ terms }: FittedSheet, coefficient: 0 | 1 | 2 | 3) =>
  combineUncertainty(
    terms.map(({ dimension, gains }) => ({
      sensitivity: gains[coefficient],
      standardUncertainty: dimension.uncertaintyMm,
      degreesOfFreedom: dimension.degreesOfFreedom,
    })),
  ).standardUncertainty;

// Seeded: what a run finds must be found again by the next one.
const FREE: Dimension = { valueMm: 0, uncertaintyMm: 1e4, degreesOfFreedom: null, origin: 'guess' };
/** Nothing is known of lean and curvature beforehand: then the fit is ordinary least squares. */
const UNKNOWN = { sideLean: FREE, lean: FREE, curvature: FREE };

const places = [
  [0, 0],
  [0, 60],
  [0, -60],
  [60, 0],
  [-60, 10],
  [40, 40],
  [-35, -45],
] as const;

const readings = (depths: readonly number[], doubtMm = 1) =>
  depths.map((depth, at) => ({
    key: `depth${at}`,
    xMm: places[at]?.[0] ?? 0,
    yMm: places[at]?.[1] ?? 0,
    depth: within(depth, doubtMm),
  }));

function fitOf(at: ReturnType<typeof opening>) {
  const fitted = sheetFit(at);
  if (!fitted) throw new Error('expected a sheet');
  return fitted;
}

test('seven readings and nothing known beforehand: the coefficients of ordinary least squares', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 50, max: 70, noNaN: true }), { minLength: 7, maxLength: 7 }), (depths) => {
      const { sheet } = fitOf(opening({ depths: readings(depths), sheet: UNKNOWN }));
      const design = places.map(([x, y]) => [1, x / 100, y / 100, (y / 100) ** 2]);
      const [c0 = 0, c1 = 0, c2 = 0, c3 = 0] = jstat.models.ols([...depths], design).coef;
      expect(sheet.c0).toBeCloseTo(c0, 4);
      expect(sheet.c1).toBeCloseTo(c1 / 100, 5);
      expect(sheet.c2).toBeCloseTo(c2 / 100, 5);
      expect(sheet.c3).toBeCloseTo(c3 / 10_000, 6);
    }),
    fuzzed(40),
  );
});

describe('with few readings', () => {
  test('one: the depth there, the usual lean and its doubt', () => {
    const lean = within(-0.1, 0.06);
    const fitted = fitOf(opening({ depths: readings([64]), sheet: { ...FLAT, lean } }));
    expect(fitted.sheet).toMatchObject({ c0: expect.closeTo(64, 9), c2: expect.closeTo(-0.1, 9) });
    expect(uncertaintyOf(fitted, 2)).toBeCloseTo(0.06 / Math.sqrt(3), 6);
  });

  test('two at different heights: the lean is theirs, (58 − 64)/60, and as sure as they are', () => {
    const lean = within(0, 0.5);
    const fitted = fitOf(opening({ depths: readings([64, 58], 0.01), sheet: { ...FLAT, lean } }));
    expect(fitted.sheet.c2).toBeCloseTo(-0.1, 6);
    expect(uncertaintyOf(fitted, 2)).toBeCloseTo((Math.SQRT2 * 0.01) / Math.sqrt(3) / 60, 6);
  });

  test('exactly known readings pass through the sheet', () => {
    const depths = readings([64, 58, 69]).map((each) => ({ ...each, depth: exact(each.depth.valueMm) }));
    const { misfitMm } = fitOf(opening({ depths, sheet: { ...UNKNOWN, curvature: FREE } }));
    expect(misfitMm).toBeLessThan(1e-3);
  });

  test('none, or nothing behind: no sheet', () => {
    expect(sheetFit(opening({ depths: [] }))).toBeNull();
    expect(sheetFit(opening({ behind: 'nothing' }))).toBeNull();
  });
});

test('readings that contradict each other are believed less', () => {
  const calm = fitOf(opening({ depths: readings([64, 58, 70, 64, 64, 60, 68]), sheet: UNKNOWN }));
  const wild = fitOf(opening({ depths: readings([64, 52, 77, 70, 58, 66, 61]), sheet: UNKNOWN }));
  expect(calm.birgeRatio).toBeLessThan(1.5);
  expect(wild.birgeRatio).toBeGreaterThan(3);
  expect(uncertaintyOf(wild, 0)).toBeGreaterThan(uncertaintyOf(calm, 0));
  expect(wild.doubts).toEqual([{ kind: 'contradiction', misfitMm: expect.any(Number) }]);
  expect(calm.doubts).toEqual([]);
});

test('the order of the readings does not matter', () => {
  const straight = readings([64, 58, 70, 64, 62]);
  const a = fitOf(opening({ depths: straight, sheet: UNKNOWN })).sheet;
  const b = fitOf(opening({ depths: [...straight].reverse(), sheet: UNKNOWN })).sheet;
  expect(a.c0).toBeCloseTo(b.c0, 8);
  expect(a.c3).toBeCloseTo(b.c3, 10);
});

describe('what is usual only fills gaps', () => {
  const usual = { ...FLAT, lean: within(0, 0.03), sideLean: within(0, 0.03) };

  test('a skin that leans by 10° is believed as it was read, and asked about', () => {
    const lean = -Math.tan((10 * Math.PI) / 180);
    const depths = readings([64, 64 + 60 * lean, 64 - 60 * lean]).map((each) => ({
      ...each,
      depth: exact(each.depth.valueMm),
    }));
    const { sheet, doubts } = fitOf(opening({ depths, sheet: usual }));
    expect(sheet.c2).toBeCloseTo(lean, 6);
    expect(doubts).toEqual([{ kind: 'unusual', what: 'lean', found: expect.closeTo(lean, 6), usual: 0 }]);
  });

  test('one reading leaves it as it is, and nothing is asked', () => {
    const { sheet, doubts } = fitOf(opening({ depths: readings([64]), sheet: usual }));
    expect(sheet).toMatchObject({ c1: expect.closeTo(0, 9), c2: expect.closeTo(0, 9) });
    expect(doubts).toEqual([]);
  });
});

describe('below the lower edge', () => {
  const at = (lowerEdgeMm: number) =>
    opening({ depths: readings([140, 60]), lowerEdge: within(lowerEdgeMm, 1.5), sheet: FLAT });

  test('a reading from there is none of the glass', () => {
    const { sheet, doubts } = fitOf(at(25));
    expect(sheet.c0).toBeCloseTo(60, 9);
    expect(doubts).toEqual([{ kind: 'belowEdge', keys: ['depth0'] }]);
  });

  test('where all of them are from there, there is no sheet', () => {
    expect(sheetFit(at(90))).toBeNull();
    expect(fitOf(at(-40)).doubts.map(({ kind }) => kind)).not.toContain('belowEdge');
  });
});

test('one stick, one error: nine readings of it leave the depth as doubtful as the stick', () => {
  const stick = (depth: number) => ({
    valueMm: depth,
    uncertaintyMm: 0.29,
    degreesOfFreedom: null,
    origin: 'takenHere' as const,
    shared: [{ name: 'instrument.depthStick', uncertaintyMm: 0.5, by: 1 }],
  });
  const depths = readings([64, 64, 64, 64, 64, 64, 64]).map((each) => ({ ...each, depth: stick(each.depth.valueMm) }));
  const { terms } = fitOf(opening({ depths, sheet: UNKNOWN }));
  const shared = terms.reduce((sum, { dimension, gains }) => sum + (dimension.shared ? gains[0] : 0), 0);
  expect(shared).toBeCloseTo(1, 6);
});
