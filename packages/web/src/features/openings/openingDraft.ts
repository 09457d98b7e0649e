/**
 * What a person has typed about an opening and not saved yet. A reading is understood at the moment it is typed, in the
 * unit that is set then, so switching the unit later changes nothing. Plain data: it is kept on the device as it is.
 */
import type { OpeningDimensionKey } from '@low-quarry/core/fit';
import {
  FACES,
  type Face,
  fromSide,
  helpfulDimensions,
  INWARDS,
  isReadFromFace,
  type Measurement,
  OPENING_DIMENSION_KEYS,
  type OpeningRecord,
  OUTWARDS,
  openingFactsSchema,
  openingRecordSchema,
  readMeasurement,
  rereadFromMetal,
  SOURCES,
  type SourceId,
  sourceSchema,
  wantedDimensions,
} from '@low-quarry/core/model';
import { type Difference, differencesOf, isSame, OPENING_FIELDS } from '@low-quarry/core/records';
import { fail, ok, type Result } from '@low-quarry/core/result';
import type { LengthUnit } from '@low-quarry/core/units';
import { z } from 'zod';
import { readFrom, usualFace } from './surroundings';

const fieldSchema = z.object({
  text: z.string(),
  source: sourceSchema,
  readingsMm: z.array(z.number()),
  error: z.string().nullable(),
  from: z.enum(FACES).default('metal'),
  /** Typed or set by hand since the last save. */
  touched: z.boolean(),
});
export type FieldDraft = z.infer<typeof fieldSchema>;

export const openingDraftSchema = z.object({
  /** The version of the opening that this was typed on. */
  version: z.number(),
  /** The record of that version: what a change is told from. */
  base: openingRecordSchema,
  fields: z.record(z.enum(OPENING_DIMENSION_KEYS), fieldSchema),
  facts: openingFactsSchema,
  /** By field: what was typed for a number and could not be read. */
  unread: z.record(z.string(), z.string()).default({}),
});
export type OpeningDraft = z.infer<typeof openingDraftSchema>;
export type OpeningFacts = OpeningDraft['facts'];

export function toDraft(record: OpeningRecord, version: number): OpeningDraft {
  const { dimensions, ...facts } = record;
  const fields = Object.fromEntries(
    OPENING_DIMENSION_KEYS.map((key) => [key, toField(key, dimensions[key])]),
  ) as OpeningDraft['fields'];
  return { version, base: record, fields, facts, unread: {} };
}

/** A draft kept on the device, or null when it is not readable (an older program wrote it). */
export function readDraft(text: string): OpeningDraft | null {
  try {
    const parsed = openingDraftSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/**
 * The draft after typing into a dimension's field. A figure typed over one from elsewhere counts as taken here; one that is
 * typed anew, as read from what is read from now.
 */
export function typeInto(draft: OpeningDraft, key: OpeningDimensionKey, text: string, unit: LengthUnit): OpeningDraft {
  const before = draft.fields[key];
  const read = readMeasurement(text, key, unit);
  const source = before.touched || SOURCES[before.source].origin === 'takenHere' ? before.source : usualInstrument(key);
  const field: FieldDraft = {
    text,
    source,
    readingsMm: read.ok ? [...read.value] : [],
    error: read.ok ? null : read.failure,
    from: isReadFromFace(key) && !before.touched ? usualFace(draft.facts.faces) : before.from,
    touched: true,
  };
  const facts = read.ok ? seenBy(draft.facts, key) : draft.facts;
  return { ...draft, facts, fields: { ...draft.fields, [key]: field } };
}

/** Who measures a length has what it is of before their eyes. */
function seenBy(facts: OpeningFacts, key: OpeningDimensionKey): OpeningFacts {
  const seen = HOLE_KEYS.some((each) => each === key)
    ? 'holeKind'
    : BOLT_KEYS.some((each) => each === key)
      ? 'bolts'
      : key === 'depthBehind'
        ? 'behind'
        : null;
  return seen === null ? facts : { ...facts, assumed: facts.assumed.filter((each) => each !== seen) };
}

/** The facts after one of them was set: what somebody sets is not taken as usual any more. */
export function withFacts(facts: OpeningFacts, change: Partial<OpeningFacts>): OpeningFacts {
  const assumed = (change.assumed ?? facts.assumed).filter((each) => !(each in change));
  return { ...facts, ...change, assumed };
}

export function setFace(draft: OpeningDraft, key: OpeningDimensionKey, from: Face): OpeningDraft {
  return { ...draft, fields: { ...draft.fields, [key]: { ...draft.fields[key], from, touched: true } } };
}

export function setSource(draft: OpeningDraft, key: OpeningDimensionKey, source: SourceId): OpeningDraft {
  return { ...draft, fields: { ...draft.fields, [key]: { ...draft.fields[key], source, touched: true } } };
}

/**
 * The draft after carrying over what is known of the same place on the other side, mirrored. Every figure counts as carried
 * over, however it was taken there. What is known of this side stays: what was measured here, and the shape that goes with it.
 * Plugs, wires and what was looked for are looked at on each side, and never come along.
 */
export function carryOver(draft: OpeningDraft, other: OpeningRecord): OpeningDraft {
  const there = fromSide(other);
  const isHere = (key: OpeningDimensionKey) =>
    draft.fields[key].readingsMm.length > 0 && SOURCES[draft.fields[key].source].origin === 'takenHere';
  const fields = Object.fromEntries(
    OPENING_DIMENSION_KEYS.map((key) => {
      const taken = there.dimensions[key];
      return [key, !taken || isHere(key) ? draft.fields[key] : carriedField(key, taken, there.faces)];
    }),
  ) as OpeningDraft['fields'];
  const { facts } = draft;
  const here: Partial<OpeningFacts> = {
    ...(HOLE_KEYS.some(isHere) || isTakenTrace(facts.trace)
      ? { holeKind: facts.holeKind, cornerRadiusMm: facts.cornerRadiusMm, holeDeg: facts.holeDeg, trace: facts.trace }
      : {}),
    ...(BOLT_KEYS.some(isHere) || isTakenTrace(facts.bolts) ? { bolts: facts.bolts } : {}),
    ...(DEPTH_KEYS.some(isHere) ? { behind: facts.behind } : {}),
    ...(facts.depthReadings.length > 0 ? { depthReadings: facts.depthReadings } : {}),
    ...(facts.obstacles.length > 0 || facts.obstaclesLooked ? { obstacles: facts.obstacles } : {}),
    ...(facts.recess ? { recess: facts.recess } : {}),
    ...(facts.bore ? { bore: facts.bore } : {}),
    ...(facts.proud.length > 0 || facts.proudLooked ? { proud: facts.proud } : {}),
    ...(facts.front.length > 0 ? { front: facts.front } : {}),
    ...(facts.housing ? { housing: facts.housing } : {}),
    // What was looked at on the other side of this car is more than what is usual for its body.
    assumed: facts.assumed.filter((each) => there.assumed.includes(each)),
  };
  return { ...draft, fields, facts: { ...facts, ...carriedFacts(there), ...here } };
}

const HOLE_KEYS = ['holeDiameter', 'holeLength', 'holeWidth'] as const;
const BOLT_KEYS = ['boltCircle', 'boltWidth', 'boltHeight'] as const;
const DEPTH_KEYS = ['depthBehind', 'depthTop', 'depthBottom', 'depthFront', 'depthRear', 'lowerEdge'] as const;

function isTakenTrace(traced: OpeningFacts['trace'] | OpeningFacts['bolts']): boolean {
  return traced !== null && 'source' in traced && SOURCES[traced.source].origin === 'takenHere';
}

/** What the other side was read from is not on this side: it is carried over as counted from the metal. */
function carriedField(key: OpeningDimensionKey, taken: Measurement, faces: OpeningRecord['faces']): FieldDraft {
  const { entered, readingsMm } = rereadFromMetal(taken, faces, key === 'frontGap' ? OUTWARDS : INWARDS);
  return {
    text: entered,
    source: 'carriedOver',
    readingsMm: [...readingsMm],
    error: null,
    from: 'metal',
    touched: true,
  };
}

/** As nobody on this side took it. */
const CARRIED = { source: 'carriedOver', takenBy: null, takenAt: null } as const;

/** The facts of the other side that come along, each length of them as carried over. */
function carriedFacts({
  nominalSize,
  holeKind,
  cornerRadiusMm,
  holeDeg,
  trace,
  bolts,
  fixing,
  behind,
  material,
  wallMm,
  recess,
  bore,
  proud,
  faces,
  front,
  depthReadings,
  obstacles,
  housing,
}: OpeningRecord): Partial<OpeningFacts> {
  const reread = (measurement: Measurement, way: typeof INWARDS | typeof OUTWARDS): Measurement => ({
    ...rereadFromMetal(measurement, faces, way),
    ...CARRIED,
  });
  return {
    nominalSize,
    holeKind,
    cornerRadiusMm,
    holeDeg,
    trace: trace && { ...trace, source: 'carriedOver' },
    bolts: bolts.kind === 'free' ? { ...bolts, source: 'carriedOver' } : bolts,
    fixing,
    behind,
    material,
    wallMm,
    housing,
    recess: recess && { ...recess, source: 'carriedOver' },
    bore: bore && { depth: reread(bore.depth, INWARDS), inside: { ...bore.inside, ...CARRIED } },
    proud: proud.map((each) => ({ ...each, height: { ...each.height, ...CARRIED } })),
    depthReadings: depthReadings.map((each) => ({ ...each, measurement: reread(each.measurement, INWARDS) })),
    obstacles: obstacles.map((each) => ({ ...each, depth: reread(each.depth, INWARDS) })),
    front: front.map((each) => ({
      ...each,
      gap: reread(each.gap, OUTWARDS),
      inside: each.inside && reread(each.inside, OUTWARDS),
    })),
  };
}

/** What a carrying over would change, field by field, in words. */
export function carriedDifferences(draft: OpeningDraft, other: OpeningRecord): readonly Difference[] {
  return differencesOf(OPENING_FIELDS, recordOf(draft), recordOf(carryOver(draft, other)));
}

/** What stands in the fields, as a record nobody saves. */
export function recordOf({ facts, fields }: OpeningDraft): OpeningRecord {
  const dimensions = Object.fromEntries(
    OPENING_DIMENSION_KEYS.flatMap((key) => {
      const { readingsMm, source, text, from } = fields[key];
      if (readingsMm.length === 0) return [];
      return [[key, { readingsMm, source, entered: text, takenBy: null, takenAt: null, ...readFrom(from) }]];
    }),
  );
  return { ...facts, dimensions };
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
        ...readFrom(field.from),
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
  if (!measurement)
    return { text: '', source: usualInstrument(key), readingsMm: [], error: null, from: 'metal', touched: false };
  return {
    text: measurement.entered,
    source: measurement.source,
    readingsMm: measurement.readingsMm,
    error: null,
    from: measurement.from ?? 'metal',
    touched: false,
  };
}

function usualInstrument(key: OpeningDimensionKey): SourceId {
  if (key === 'lowerEdge') return 'tapeMm';
  return key.startsWith('depth') || key === 'frontGap' ? 'depthStick' : 'calliper';
}
