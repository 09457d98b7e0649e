import { describe, expect, test } from '@jest/globals';
import { SETTINGS_DEFAULTS, settingsSchema } from '@low-quarry/core/model';
import { SETTING_FIELDS } from '@low-quarry/core/records';
import { broughtUpTo, readTyped, type TypedSettings, toTyped, typedSettingsSchema } from './typedSettings';

const SHOP = settingsSchema.parse({ ...SETTINGS_DEFAULTS, name: 'Slipway Nine' });
const MM_FIELD = SETTING_FIELDS.find(({ input }) => input.kind === 'mm');
if (!MM_FIELD) throw new Error('expected a setting in mm, found none');

/** As the field at its path would hold it. */
function type(typed: TypedSettings, path: string, text: unknown): TypedSettings {
  const [first = '', ...rest] = path.split('.');
  const value = rest.length === 0 ? text : type((typed[first] ?? {}) as TypedSettings, rest.join('.'), text);
  return { ...typed, [first]: value };
}
const at = (typed: TypedSettings, path: string): unknown =>
  path.split('.').reduce((value: unknown, key) => (value as TypedSettings)[key], typed);

test('every setting is typed as text or picked, and reads back as it was', () => {
  expect(typedSettingsSchema(SHOP).parse(toTyped(SHOP))).toEqual(SHOP);
  expect(at(toTyped(SHOP), MM_FIELD.path)).toBe(String(MM_FIELD.read(SHOP)));
});

describe('a text that cannot be read', () => {
  const half = type(toTyped(SHOP), MM_FIELD.path, 'so');

  test('is refused at its path, with what would do', () => {
    const { issues } = typedSettingsSchema(SHOP).safeParse(half).error ?? { issues: [] };
    expect(issues).toHaveLength(1);
    expect(issues[0]?.path.join('.')).toBe(MM_FIELD.path);
    expect(issues[0]?.message).toContain('so');
  });

  test('leaves the setting that was, and changes no other', () => {
    const both = type(half, 'name', 'Slipway Ten');
    const { shop, wrong } = readTyped(both, SHOP);
    expect(wrong.map(({ path }) => path)).toEqual([MM_FIELD.path]);
    expect(shop).toEqual({ ...SHOP, name: 'Slipway Ten' });
  });
});

describe('somebody else saved meanwhile', () => {
  const theirs = { ...SHOP, name: 'Slipway Ten' };

  test('theirs comes in beside what is typed here, half-typed too', () => {
    const typed = type(toTyped(SHOP), MM_FIELD.path, 'so');
    const next = broughtUpTo(typed, SHOP, theirs);
    expect(next).toEqual(type(toTyped(theirs), MM_FIELD.path, 'so'));
  });

  test('nothing is typed: what they saved stands there', () => {
    expect(broughtUpTo(toTyped(SHOP), SHOP, theirs)).toEqual(toTyped(theirs));
  });

  test('both changed the same: it is asked about', () => {
    expect(broughtUpTo(type(toTyped(SHOP), 'name', 'Slipway One'), SHOP, theirs)).toBeNull();
  });
});
