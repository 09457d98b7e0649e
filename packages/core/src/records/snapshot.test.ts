import { describe, expect, test } from '@jest/globals';
import { spacerSchema } from '../catalogue';
import { SETTINGS_DEFAULTS, settingsSchema } from '../model/settings';
import { offered } from '../testing/offers';
import { measuredBy, PLAIN_OPENING } from '../testing/plainOpening';
import { changedSince, type Snapshot } from './snapshot';

const RING = spacerSchema.parse({
  kind: 'spacer',
  id: 'spc-ring-10',
  maker: 'Loomgate',
  name: 'Ring 10',
  offers: offered(2, 900),
  inner: { kind: 'circle', diameterMm: 140 },
  outer: { kind: 'circle', diameterMm: 170 },
  heightMm: 10,
});
const SETTINGS = settingsSchema.parse({ ...SETTINGS_DEFAULTS, name: 'Slipway Nine' });
const THEN: Snapshot = {
  opening: { ...PLAIN_OPENING, dimensions: { depthBehind: measuredBy('Rieke', 58) } },
  parts: [RING],
  settings: SETTINGS,
  sentence: 'It stays 8 mm off the glass.',
};
const rows = (now: Partial<Snapshot>) =>
  changedSince(THEN, { ...THEN, ...now }).map(({ label, before, after }) => [label, before, after]);

test('nothing changed: nothing is told', () => {
  expect(rows({})).toEqual([]);
});

describe('what a verdict depends on is told when it is another', () => {
  test('a measurement', () => {
    const opening = { ...THEN.opening, dimensions: { depthBehind: measuredBy('Jory', 54) } };
    expect(rows({ opening })).toEqual([['Depth behind', '58 mm, depth stick, Rieke', '54 mm, depth stick, Jory']]);
  });

  test('a part, and a part that is gone', () => {
    expect(rows({ parts: [{ ...RING, heightMm: 12 }] })).toEqual([['Ring 10: Height, mm', '10', '12']]);
    expect(rows({ parts: [] })).toEqual([['Ring 10', 'in the catalogue', 'no longer in the catalogue']]);
  });

  test('a setting that verdicts depend on', () => {
    const settings = { ...SETTINGS, confidence: 0.9, clearancesMm: { ...SETTINGS.clearancesMm, glass: 8 } };
    expect(rows({ settings })).toEqual([
      ['To the glass', '5 mm', '8 mm'],
      ['Sure enough', '97.5 %', '90 %'],
    ]);
  });
});

test('what no verdict depends on is not: a note, the name of the shop, what a return costs', () => {
  const settings = { ...SETTINGS, name: 'Slipway Ten', returnCostMinor: 1, paper: 'Letter' as const };
  expect(rows({ opening: { ...THEN.opening, note: 'glass sticks' }, settings })).toEqual([]);
});
