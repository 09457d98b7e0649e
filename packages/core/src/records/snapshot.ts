/**
 * Every input of a verdict as it was when a fit was chosen, and what has changed since. The choice itself never changes
 * with them: it is the person's to keep or to make anew.
 */
import { z } from 'zod';
import { partSchema } from '../catalogue';
import { openingRecordSchema, settingsSchema } from '../model';
import { type Difference, differencesOf } from './Field';
import { OPENING_FIELDS } from './openingFields';
import { recordDifferences } from './recordDifferences';
import { SETTING_FIELDS } from './settingFields';
import { readStored, toStored } from './storedRecord';

export const snapshotSchema = z.object({
  opening: openingRecordSchema,
  /** Speaker, brackets, spacer (where it is bought) and harness adapters. */
  parts: z.array(partSchema),
  settings: settingsSchema,
  /** The verdict in a sentence, as it was. */
  sentence: z.string(),
});
export type Snapshot = z.infer<typeof snapshotSchema>;

/** A snapshot as it is kept: each record in it names its form. */
export function toStoredSnapshot({ opening, parts, settings, sentence }: Snapshot): object {
  return {
    opening: toStored('opening', opening),
    parts: parts.map((part) => toStored('part', part)),
    settings: toStored('settings', settings),
    sentence,
  };
}

const keptSchema = z.looseObject({ parts: z.array(z.unknown()), sentence: z.string() });

/**
 * @param json what is kept, its records of whatever form
 * @returns null where it cannot be read: what has changed since the choice is not known then
 */
export function readStoredSnapshot(json: unknown): Snapshot | null {
  const kept = keptSchema.safeParse(json);
  if (!kept.success) return null;
  const opening = readStored('opening', kept.data.opening);
  const settings = readStored('settings', kept.data.settings);
  const parts = kept.data.parts.map((part) => readStored('part', part));
  if (!opening.ok || !settings.ok || parts.some((part) => !part.ok)) return null;
  return {
    opening: opening.value,
    settings: settings.value,
    parts: parts.flatMap((part) => (part.ok ? [part.value] : [])),
    sentence: kept.data.sentence,
  };
}

export type SnapshotNow = Pick<Snapshot, 'opening' | 'parts' | 'settings'>;

/** What hangs together with the verdict and is not as it was: in the opening, in the parts, in the shop's settings. */
export function changedSince(then: Snapshot, now: SnapshotNow): readonly Difference[] {
  const judging = SETTING_FIELDS.filter(({ judges }) => judges);
  return [
    ...differencesOf(OPENING_FIELDS, then.opening, now.opening).filter(
      ({ path }) => path !== 'note' && path !== 'build',
    ),
    ...then.parts.flatMap((part) => partDifferences(part, now.parts)),
    ...differencesOf(judging, then.settings, now.settings),
  ];
}

function partDifferences(part: Snapshot['parts'][number], now: Snapshot['parts']): readonly Difference[] {
  const same = now.find(({ id }) => id === part.id);
  if (!same) {
    return [{ path: part.id, label: part.name, before: 'in the catalogue', after: 'no longer in the catalogue' }];
  }
  // Who sells it for how much is nothing that a verdict hangs on.
  return recordDifferences('part', part, same)
    .filter(({ path }) => path !== 'offers')
    .map((each) => ({ ...each, label: `${part.name}: ${each.label}` }));
}
