/**
 * What a person has typed about an opening and not saved yet. A reading is understood at the moment it is typed, in the
 * unit that is set then, so switching the unit later changes nothing. Plain data: it is kept on the device as it is.
 */
import type { OpeningDimensionKey } from '@low-quarry/core/fit/Check';
import { fromSide } from '@low-quarry/core/model/fromSide';
import {
  helpfulDimensions,
  type Measurement,
  type OpeningRecord,
  openingRecordSchema,
  wantedDimensions,
} from '@low-quarry/core/model/opening';
import { OPENING_DIMENSION_KEYS } from '@low-quarry/core/model/openingDimensions';
import { readMeasurement } from '@low-quarry/core/model/readMeasurement';
import { SOURCES, type SourceId, sourceSchema } from '@low-quarry/core/model/source';
import { isSame } from '@low-quarry/core/records/Field';
import { fail, ok, type Result } from '@low-quarry/core/result';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { z } from 'zod';
import { draftPrefix } from '../../device/drafts';

const fieldSchema = z.object({
  text: z.string(),
  source: sourceSchema,
  readingsMm: z.array(z.number()),
  error: z.string().nullable(),
  /** Typed or set by hand since the last save. */
  touched: z.boolean(),
});
export type FieldDraft = z.infer<typeof fieldSchema>;

const draftSchema = z.object({
  /** The version of the opening that this was typed on. */
  version: z.number(),
  /** The record of that version: what a change is told from. */
  base: openingRecordSchema,
  fields: z.record(z.enum(OPENING_DIMENSION_KEYS), fieldSchema),
  facts: openingRecordSchema.omit({ dimensions: true }),
});
export type OpeningDraft = z.infer<typeof draftSchema>;
export type OpeningFacts = OpeningDraft['facts'];

export function toDraft(record: OpeningRecord, version: number): OpeningDraft {
  const { dimensions, ...facts } = record;
  const fields = Object.fromEntries(
    OPENING_DIMENSION_KEYS.map((key) => [key, toField(key, dimensions[key])]),
  ) as OpeningDraft['fields'];
  return { version, base: record, fields, facts };
}

/** Where a draft is kept on the device. */
export function draftKey(personId: string, openingId: string): string {
  return `${draftPrefix(personId)}opening.${openingId}`;
}

/** A draft kept on the device, or null when it is not readable (an older program wrote it). */
export function readDraft(text: string): OpeningDraft | null {
  try {
    const parsed = draftSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** The draft after typing into a dimension's field. A figure typed over one from elsewhere counts as taken here. */
export function typeInto(draft: OpeningDraft, key: OpeningDimensionKey, text: string, unit: LengthUnit): OpeningDraft {
  const before = draft.fields[key];
  const read = readMeasurement(text, key, unit);
  const source = before.touched || SOURCES[before.source].origin === 'takenHere' ? before.source : usualInstrument(key);
  const field: FieldDraft = {
    text,
    source,
    readingsMm: read.ok ? [...read.value] : [],
    error: read.ok ? null : read.failure,
    touched: true,
  };
  return { ...draft, fields: { ...draft.fields, [key]: field } };
}

export function setSource(draft: OpeningDraft, key: OpeningDimensionKey, source: SourceId): OpeningDraft {
  return { ...draft, fields: { ...draft.fields, [key]: { ...draft.fields[key], source, touched: true } } };
}

/**
 * The draft after carrying over what is known of the same place on the other side, mirrored. Every figure counts as carried
 * over, however it was taken there; what was measured on this side stays.
 */
export function carryOver(draft: OpeningDraft, other: OpeningRecord): OpeningDraft {
  const { dimensions, side: _side, note: _note, ...facts } = fromSide(other);
  const fields = Object.fromEntries(
    OPENING_DIMENSION_KEYS.map((key) => {
      const here = draft.fields[key];
      const there = dimensions[key];
      const isMeasured = here.readingsMm.length > 0 && SOURCES[here.source].origin === 'takenHere';
      if (!there || isMeasured) return [key, here];
      const field: FieldDraft = {
        text: there.entered,
        source: 'carriedOver',
        readingsMm: [...there.readingsMm],
        error: null,
        touched: true,
      };
      return [key, field];
    }),
  ) as OpeningDraft['fields'];
  const { side, note } = draft.facts;
  return { ...draft, fields, facts: { ...facts, side, note } };
}

/** The dimensions without a reading, in the order of measuring. */
export function missingInDraft({ facts, fields }: OpeningDraft): readonly OpeningDimensionKey[] {
  return wantedDimensions(facts).filter((key) => fields[key].readingsMm.length === 0);
}

/**
 * The record to save. Dimensions that were not touched stay as they were, with who took them and when.
 *
 * @returns the record, or the message of each field that cannot be saved
 */
export function toRecord(
  draft: OpeningDraft,
  by: { readonly takenBy: string; readonly now: Date },
): Result<OpeningRecord, Readonly<Partial<Record<OpeningDimensionKey, string>>>> {
  const errors: Partial<Record<OpeningDimensionKey, string>> = {};
  const dimensions: OpeningRecord['dimensions'] = {};
  const wanted = [...wantedDimensions(draft.facts), ...helpfulDimensions(draft.facts)];
  for (const key of OPENING_DIMENSION_KEYS) {
    const field = draft.fields[key];
    const before = draft.base.dimensions[key];
    if (!field.touched) {
      if (before) dimensions[key] = before;
    } else if (field.error) {
      // A field that the shape of the hole does not call for is not on the screen, and its slip stops nobody.
      if (wanted.includes(key)) errors[key] = field.error;
      else if (before) dimensions[key] = before;
    } else if (field.readingsMm.length > 0) {
      dimensions[key] = {
        readingsMm: field.readingsMm,
        source: field.source,
        entered: field.text.trim(),
        takenBy: by.takenBy.trim() || null,
        takenAt: by.now.toISOString(),
      };
    }
  }
  if (Object.keys(errors).length > 0) return fail(errors);
  return ok({ ...draft.facts, dimensions });
}

/**
 * A draft that was typed on after it was sent, on top of what the shop has now: what was not typed into since follows the
 * shop.
 *
 * @param sent the draft as it was sent
 */
export function rebase(draft: OpeningDraft, sent: OpeningDraft, { record, version }: Stored): OpeningDraft {
  const fresh = toDraft(record, version);
  const fields = Object.fromEntries(
    OPENING_DIMENSION_KEYS.map((key) => {
      const isSameText = JSON.stringify(draft.fields[key]) === JSON.stringify(sent.fields[key]);
      return [key, isSameText ? fresh.fields[key] : draft.fields[key]];
    }),
  ) as OpeningDraft['fields'];
  const facts = Object.fromEntries(
    Object.keys(draft.facts).map((name) => {
      const key = name as keyof OpeningFacts;
      return [key, isSame(draft.facts[key], sent.facts[key]) ? fresh.facts[key] : draft.facts[key]];
    }),
  ) as OpeningFacts;
  return { ...fresh, fields, facts };
}

type Stored = { readonly record: OpeningRecord; readonly version: number };

function toField(key: OpeningDimensionKey, measurement: Measurement | undefined): FieldDraft {
  if (!measurement) return { text: '', source: usualInstrument(key), readingsMm: [], error: null, touched: false };
  return {
    text: measurement.entered,
    source: measurement.source,
    readingsMm: measurement.readingsMm,
    error: null,
    touched: false,
  };
}

function usualInstrument(key: OpeningDimensionKey): SourceId {
  if (key === 'lowerEdge') return 'tapeMm';
  return key.startsWith('depth') || key === 'frontGap' ? 'depthStick' : 'calliper';
}
