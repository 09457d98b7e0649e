/** Settings as they are typed: a copy of the record in which numbers are text, so that a half-typed one is no error of the record. */
import type { ShopSettings } from '@low-quarry/core/model';
import { mergeChanges, SETTING_FIELDS, type SettingField } from '@low-quarry/core/records';
import { z } from 'zod';
import { fromText, toText } from './settingText';

/** At the paths of the record: text where a setting is typed, its value where it is picked. */
export type TypedSettings = { readonly [key: string]: unknown };

type Wrong = { readonly path: string; readonly message: string };

const isText = ({ input: { kind } }: SettingField) => !['choice', 'days', 'stock'].includes(kind);

// Fields read and write at their path, whatever stands there.
const put = (typed: TypedSettings, field: SettingField, value: unknown): TypedSettings =>
  field.write(typed as ShopSettings, value);
const get = (typed: TypedSettings, field: SettingField) => field.read(typed as ShopSettings);

export function toTyped(shop: ShopSettings): TypedSettings {
  return SETTING_FIELDS.filter(isText).reduce<TypedSettings>(
    (typed, field) => put(typed, field, toText(field.read(shop), field.input)),
    shop,
  );
}

/**
 * @param base what the typing began from
 * @returns the settings, with those of `base` where nothing is typed or a text cannot be read, and what is wrong with each of these
 */
export function readTyped(typed: TypedSettings, base: ShopSettings): { shop: ShopSettings; wrong: readonly Wrong[] } {
  const wrong: Wrong[] = [];
  let shop = base;
  for (const field of SETTING_FIELDS) {
    const value = get(typed, field);
    if (!isText(field)) shop = field.write(shop, value);
    else if (value !== toText(field.read(base), field.input)) {
      const read = fromText(String(value ?? ''), field.input);
      if (read.ok) shop = field.write(shop, read.value);
      else wrong.push({ path: field.path, message: read.failure });
    }
  }
  return { shop, wrong };
}

/** Settings that can be read whole. */
export function typedSettingsSchema(base: ShopSettings): z.ZodType<ShopSettings, TypedSettings> {
  return z.record(z.string(), z.unknown()).transform((typed, context) => {
    const { shop, wrong } = readTyped(typed, base);
    for (const { path, message } of wrong) context.addIssue({ code: 'custom', path: path.split('.'), message });
    return shop;
  });
}

/**
 * Brings in what somebody else saved meanwhile.
 *
 * @param base what the typing began from
 * @returns what is typed on top of it; null where both changed the same setting
 */
export function broughtUpTo(typed: TypedSettings, base: ShopSettings, stored: ShopSettings): TypedSettings | null {
  const { shop, wrong } = readTyped(typed, base);
  const { merged, clashes } = mergeChanges(SETTING_FIELDS, base, shop, stored);
  if (clashes.length > 0) return null;
  return SETTING_FIELDS.filter(({ path }) => wrong.some((each) => each.path === path)).reduce(
    (next, field) => put(next, field, get(typed, field)),
    toTyped(merged),
  );
}
