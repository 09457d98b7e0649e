/**
 * Records as they are kept, in a form that they name themselves, and how a record of an earlier form is brought to today's. A
 * record without a form is of the first one. Whoever changes a record's schema so that what is kept would no longer be read adds an
 * upgrade to the kind's entry (`kinds/`); nothing that is kept is changed for it.
 *
 * Samples of every earlier form are in `samples/versions` and read by a test.
 */
import type { z } from 'zod';
import { connectorSchema } from '../catalogue';
import { openingRecordSchema, SETTINGS_DEFAULTS, settingsSchema, vehicleSchema } from '../model';
import { fail, ok, type Result } from '../result';
import { RECORDS } from './kinds';
import type { Raw, RecordEntry, Upgrade } from './kinds/RecordEntry';

const FORM = 'form';

/** What is kept without a history of its own. */
const WITHOUT_HISTORY = { connector: { schema: connectorSchema, upgrades: [] } } as const;
const STORED = { ...RECORDS, ...WITHOUT_HISTORY };

export type StoredKind = keyof typeof STORED;
export type Stored<Kind extends StoredKind> = z.output<(typeof STORED)[Kind]['schema']>;

/** The record as it is kept: with the number of its form. */
export function toStored(kind: StoredKind, record: object): object {
  return { ...record, [FORM]: STORED[kind].upgrades.length + 1 };
}

/**
 * @param json what is kept, of whatever form
 * @returns the record in today's form, or why it cannot be read: the place in it and what is expected
 */
export function readStored<Kind extends StoredKind>(kind: Kind, json: unknown): Result<Stored<Kind>, string> {
  const { schema, upgrades }: Pick<RecordEntry, 'schema' | 'upgrades'> = STORED[kind];
  const raw = upgradeRecord(json, upgrades);
  if (!raw.ok) return raw;
  const parsed = schema.safeParse(raw.value);
  if (parsed.success) return ok(parsed.data as Stored<Kind>);
  const [issue] = parsed.error.issues;
  const path = issue?.path.join('.');
  return fail(`${path ? `${path}: ` : ''}${issue?.message ?? 'not readable'}`);
}

/** Brings a record through the upgrades that it has not seen yet; its form's number is taken off. */
export function upgradeRecord(json: unknown, upgrades: readonly Upgrade[]): Result<Raw, string> {
  if (typeof json !== 'object' || json === null || Array.isArray(json)) return fail('it is no record');
  const { [FORM]: form = 1, ...record } = json as Raw;
  const latest = upgrades.length + 1;
  if (typeof form !== 'number' || !Number.isInteger(form) || form < 1) return fail('its form has no number');
  if (form > latest) return fail(`it was written by a newer program (form ${form}; this one reads up to ${latest})`);
  try {
    return ok(upgrades.slice(form - 1).reduce<Raw>((before, upgrade) => upgrade(before), record));
  } catch {
    return fail('it could not be brought to today’s form');
  }
}

/** What can be read of the settings, with the defaults for the rest: for showing them and setting them right, not for judging. */
export function salvageSettings(json: unknown): Stored<'settings'> {
  return salvage(settingsSchema, json, { ...SETTINGS_DEFAULTS, name: 'A shop' });
}

/** What can be read of an opening, and nothing known of the rest. */
export function salvageOpening(json: unknown): Stored<'opening'> {
  return salvage(openingRecordSchema, json, {
    place: 'frontDoorLow',
    side: 'left',
    nominalSize: '',
    holeKind: 'circle',
    bolts: { kind: 'circle', count: 4, firstAngleDeg: 45, screwDiameterMm: 4 },
    fixing: 'screws',
    behind: 'glass',
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    dimensions: {},
    note: '',
  });
}

/** What can be read of a vehicle; its openings where all of them can. */
export function salvageVehicle(json: unknown, id: string): Stored<'vehicle'> {
  const fallback = {
    id,
    make: 'A vehicle',
    model: 'that cannot be read',
    years: { from: null, to: null },
    body: 'hatchback',
    doors: 4,
    trim: '',
    audioPackage: '',
    steeringSide: 'left',
    openings: [],
  } as const;
  return salvage(vehicleSchema, json, { ...fallback, openings: [] });
}

function salvage<Shape extends z.ZodRawShape>(
  schema: z.ZodObject<Shape>,
  json: unknown,
  fallback: z.input<z.ZodObject<Shape>>,
): z.output<z.ZodObject<Shape>> {
  const raw = typeof json === 'object' && json !== null ? (json as Raw) : {};
  const read = Object.entries(schema.shape as unknown as Readonly<Record<string, z.ZodType>>).map(([key, field]) => {
    const found = field.safeParse(raw[key]);
    return [key, found.success ? found.data : field.parse((fallback as Raw)[key])];
  });
  return Object.fromEntries(read) as z.output<z.ZodObject<Shape>>;
}
