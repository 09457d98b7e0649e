import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { PART_TABLE } from '../catalogue/partTable';
import { SETTINGS_DEFAULTS } from '../model/settings';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { changeSentences } from './changeSentences';
import { RECORD_KINDS } from './kinds/kindNames';
import { readStoredSnapshot, toStoredSnapshot } from './snapshot';
import {
  readStored,
  type StoredKind,
  salvageOpening,
  salvageSettings,
  salvageVehicle,
  toStored,
  upgradeRecord,
} from './storedRecord';

const SAMPLES = path.resolve(import.meta.dirname, '../../../../samples/versions');
const SHOP = { ...SETTINGS_DEFAULTS, name: 'Boathouse' };

describe('samples of every earlier form', () => {
  const files = readdirSync(SAMPLES).filter((name) => name.startsWith('records-'));

  test('are there', () => expect(files.length).toBeGreaterThanOrEqual(3));

  test.each(files)('%s is read', (name) => {
    const sample = JSON.parse(readFileSync(path.join(SAMPLES, name), 'utf8')) as Record<StoredKind, unknown[]>;
    let records = 0;
    for (const [kind, list] of Object.entries(sample) as [StoredKind, unknown[]][]) {
      for (const record of list) {
        expect([kind, readStored(kind, record)]).toEqual([kind, expect.objectContaining({ ok: true })]);
        records++;
      }
    }
    expect(records).toBeGreaterThan(5);
  });
});

test('what is kept names its form, and is read back equal without it', () => {
  const kept = toStored('settings', SHOP);
  expect(kept).toMatchObject({ form: 2 });
  expect(readStored('settings', kept)).toEqual({ ok: true, value: SHOP });
});

test('no kind of part has a field of that name: it would be lost', () => {
  for (const { schema } of Object.values(PART_TABLE)) {
    expect(schema.shape).toHaveProperty('name');
    expect(schema.shape).not.toHaveProperty('form');
  }
});

test('a currency that could be anything once is none today', () => {
  expect(readStored('settings', { ...SHOP, currency: 'E1R' })).toMatchObject({ ok: true, value: { currency: 'XXX' } });
  expect(readStored('settings', { ...SHOP, currency: 'E1R', form: 2 })).toMatchObject({
    ok: false,
    failure: expect.stringContaining('currency'),
  });
});

describe('upgrades', () => {
  const upgrades = [
    (record: Readonly<Record<string, unknown>>) => ({ ...record, doors: record.doorCount }),
    ({ doorCount: _, ...record }: Readonly<Record<string, unknown>>) => ({ ...record, required: 'new' }),
  ];
  test.each([
    [{ doorCount: 4 }, { doors: 4, required: 'new' }],
    [
      { form: 1, doorCount: 4 },
      { doors: 4, required: 'new' },
    ],
    [
      { form: 2, doorCount: 4, doors: 5 },
      { doors: 5, required: 'new' },
    ],
    [{ form: 3, doors: 5 }, { doors: 5 }],
  ])('%j', (kept, record) => {
    expect(upgradeRecord(kept, upgrades)).toEqual({ ok: true, value: record });
  });

  test.each([
    [{ form: 4 }, 'newer program (form 4'],
    [{ form: 0 }, 'has no number'],
    [{ form: '2' }, 'has no number'],
    [null, 'no record'],
    [[1], 'no record'],
    ['x', 'no record'],
  ])('%j is not read', (kept, says) => {
    expect(upgradeRecord(kept, upgrades)).toEqual({ ok: false, failure: expect.stringContaining(says) });
  });

  test('one that fails is a record that cannot be read', () => {
    const failing = () => {
      throw new Error('no');
    };
    expect(upgradeRecord({}, [failing])).toMatchObject({ ok: false });
  });
});

test('what can be read of a broken record is shown, the rest as not known', () => {
  const opening = salvageOpening({ ...PLAIN_OPENING, holeKind: 'star', side: 'right', note: 'here' });
  expect(opening).toMatchObject({ side: 'right', note: 'here', holeKind: 'circle' });
  expect(salvageOpening('nonsense')).toMatchObject({ wiring: { kind: 'unknown' }, dimensions: {} });
  expect(salvageSettings({ ...SHOP, confidence: 7 })).toEqual(SHOP);
  expect(salvageVehicle({ make: 'Ostrand' }, 'veh-x')).toMatchObject({ id: 'veh-x', make: 'Ostrand', openings: [] });
});

test('a snapshot names the form of each of its records, and one that cannot be read is none', () => {
  const snapshot = { opening: salvageOpening({}), parts: [], settings: SHOP, sentence: 'Clears.' };
  const kept = toStoredSnapshot(snapshot);
  expect(kept).toMatchObject({ settings: { form: 2 } });
  expect(readStoredSnapshot(kept)).toEqual(snapshot);
  expect(readStoredSnapshot({ ...snapshot, settings: { ...SHOP, currency: 'E1R' } })?.settings.currency).toBe('XXX');
  for (const broken of [null, 1, {}, { ...snapshot, opening: {} }, { ...snapshot, parts: [{}] }])
    expect(readStoredSnapshot(broken)).toBeNull();
});

test('a line of the history is told whatever its states are', () => {
  const states = [null, {}, { halfWidthsMm: 7 }, [], 'text', { name: null, stock: 'none', dimensions: null }];
  for (const kind of RECORD_KINDS) {
    for (const before of states) {
      for (const after of states) {
        const told = { kind, label: 'x', action: 'changed', before, after, undoes: null } as const;
        expect(Array.isArray(changeSentences(told))).toBe(true);
      }
    }
  }
});
