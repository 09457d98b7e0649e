import { describe, expect, test } from '@jest/globals';
import { readingHalfWidthsMm, SETTINGS_DEFAULTS, settingsSchema } from './settings';

const SHOP = { ...SETTINGS_DEFAULTS, name: 'Slipway Nine' };

describe('the reading off is counted in', () => {
  test('by the squares, as variances add: 0.3 and half of 0.8 make 0.5', () => {
    const halfWidthsMm = { ...SHOP.halfWidthsMm, calliper: 0.3 };
    expect(readingHalfWidthsMm({ halfWidthsMm, resolutionsMm: { calliper: 0.8 } }).calliper).toBeCloseTo(0.5, 12);
  });

  test('a resolution of none changes nothing, for any source', () => {
    expect(readingHalfWidthsMm({ halfWidthsMm: SHOP.halfWidthsMm, resolutionsMm: {} })).toEqual(SHOP.halfWidthsMm);
  });
});

describe('a shop', () => {
  test('from before there were these settings gets what most shops go by', () => {
    const {
      paper: _paper,
      dates: _dates,
      workingHours: _hours,
      schools: _schools,
      resolutionsMm: _steps,
      ...older
    } = SHOP;
    expect(settingsSchema.parse(older)).toEqual(settingsSchema.parse(SHOP));
  });

  test.each([
    [
      'a shop that closes before it opens',
      { workingHours: { from: '17:00', to: '08:00', days: [] } },
      'workingHours.to',
    ],
    ['an hour that is none', { workingHours: { from: '8', to: '17:00', days: [] } }, 'workingHours.from'],
    ['a certainty that is none', { confidence: 1 }, 'confidence'],
    ['a clearance below nothing', { clearancesMm: { ...SHOP.clearancesMm, glass: -1 } }, 'clearancesMm.glass'],
    ['a way of splicing nobody has', { schools: { ...SHOP.schools, splice: 'tape' } }, 'schools.splice'],
  ])('%s is refused with its path', (_, change, path) => {
    const parsed = settingsSchema.safeParse({ ...SHOP, ...change });
    expect(parsed.error?.issues[0]?.path.join('.')).toBe(path);
  });
});
