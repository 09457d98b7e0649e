import { describe, expect, test } from '@jest/globals';
import { SETTINGS_DEFAULTS, settingsSchema } from '@low-quarry/core/model/settings';
import { SETTING_FIELDS, type SettingInput } from '@low-quarry/core/records/settingFields';
import { fromText, toText } from './settingText';

const MM: SettingInput = { kind: 'mm', least: 0, most: 50 };
const PERCENT: SettingInput = { kind: 'percent', least: 0.51, most: 0.999 };

test.each([
  ['5', MM, 5],
  ['5,5', MM, 5.5],
  ['1/4"', MM, 6.35],
  ['45', { kind: 'money' }, 4500],
  ['1,10', { kind: 'money' }, 110],
  ['97.5 %', PERCENT, 0.975],
  ['08:00', { kind: 'clock' }, '08:00'],
  ['Lift 1,  Pit ', { kind: 'names', most: 12 }, ['Lift 1', 'Pit']],
] as const)('%s is understood', (text, input, value) => {
  const read = fromText(text, input);
  expect(read.ok && read.value).toEqual(value);
});

test.each([
  ['51', MM, 'expected 0 to 50 mm'],
  ['soon', MM, 'soon'],
  ['-1', { kind: 'money' }, '"-1" was read'],
  ['', { kind: 'money' }, '"" was read'],
  ['40', PERCENT, 'expected 51 to 99.9 %'],
  ['8', { kind: 'clock' }, 'a time such as 08:00'],
  ['', { kind: 'names', most: 12 }, '"" was read'],
  ['Pit, Lift 1, Pit', { kind: 'names', most: 12 }, '"Pit" was read twice'],
  ['a, b, c', { kind: 'names', most: 2 }, 'at most 2'],
  ['x'.repeat(41), { kind: 'names', most: 2 }, 'at most 40 letters'],
] as const)('%s is told apart, with what is expected', (text, input, says) => {
  const read = fromText(text, input);
  expect(!read.ok && read.failure).toContain(says);
});

describe('every setting', () => {
  const shop = settingsSchema.parse({ ...SETTINGS_DEFAULTS, name: 'Slipway Nine' });
  test.each(SETTING_FIELDS.map((field) => [field.path, field] as const))('%s comes back as it was', (_, field) => {
    if (field.input.kind === 'stock' || field.input.kind === 'days') return;
    const read = fromText(toText(field.read(shop), field.input), field.input);
    if (!read.ok) throw new Error(read.failure);
    expect(settingsSchema.safeParse(field.write(shop, read.value)).error).toBeUndefined();
    expect(read.value).toEqual(field.read(shop) ?? 0);
  });

  test('none is forgotten', () => {
    const covered = new Set(SETTING_FIELDS.map(({ path }) => path.split('.')[0]));
    expect(covered).toEqual(new Set(Object.keys(settingsSchema.shape)));
  });
});
