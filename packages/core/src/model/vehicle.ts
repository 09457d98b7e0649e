/**
 * A variant of a vehicle: one model as it was built in some years, with one body, trim and audio package, and what is known of its
 * openings before anybody measured. Variants of one make and model are one vehicle to a person; what decides wires and openings is
 * the variant.
 */
import { z } from 'zod';
import { channelsSchema, devicePlugsSchema, routesSchema, spacesSchema } from './around';
import { carFactsSchema } from './carFacts';
import { functionKeySchema, MOST_FUNCTIONS } from './functions';
import { openingRecordSchema } from './opening';
import { MOST_PANELS, panelLabel, panelSchema } from './panel';
import { placeLabel } from './place';

export const BODY_LABELS = {
  hatchback: 'Hatchback',
  saloon: 'Saloon',
  estate: 'Estate',
  coupe: 'Coupé',
  roadster: 'Roadster',
  suv: 'SUV',
  pickup: 'Pickup',
  smallVan: 'Small van',
  largeVan: 'Large van',
  minibus: 'Minibus',
  lorry: 'Lorry cab',
} as const;
export type Body = keyof typeof BODY_LABELS;
export const BODIES = Object.keys(BODY_LABELS) as [Body, ...Body[]];

/** Of a pickup. */
export const CAB_LABELS = { single: 'single cab', extended: 'extended cab', crew: 'crew cab' } as const;
export type Cab = keyof typeof CAB_LABELS;
export const CABS = Object.keys(CAB_LABELS) as [Cab, ...Cab[]];

const FIRST_YEAR = 1900;
const LAST_YEAR = 2100;
const yearSchema = z
  .int(`Type a year from ${FIRST_YEAR} to ${LAST_YEAR}.`)
  .min(FIRST_YEAR, `Type a year from ${FIRST_YEAR} to ${LAST_YEAR}.`)
  .max(LAST_YEAR, `Type a year from ${FIRST_YEAR} to ${LAST_YEAR}.`)
  .nullable();

/** The first and the last year it was built; null where nobody knows, or for the last where it still is. */
export const yearsSchema = z
  .strictObject({ from: yearSchema, to: yearSchema })
  .refine(({ from, to }) => from === null || to === null || from <= to, {
    path: ['to'],
    message: 'The last year lies before the first: type a later one, or leave it empty.',
  });
export type Years = z.infer<typeof yearsSchema>;

/** Where a record began: with what is usual for a body, or with another variant. */
const beganAsSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('template'), name: z.string().min(1).max(80) }),
  z.strictObject({
    kind: z.literal('variant'),
    vehicleId: z.string().min(1).max(80),
    name: z.string().min(1).max(300),
  }),
]);
export type BeganAs = z.infer<typeof beganAsSchema>;

const nameSchema = (what: string) =>
  z.string().trim().min(1, `Type the ${what}.`).max(60, 'Type at most 60 characters.');

/** What tells one variant from another. */
export const variantSchema = z.strictObject({
  make: nameSchema('make'),
  model: nameSchema('model'),
  years: yearsSchema,
  body: z.enum(BODIES),
  cab: z.enum(CABS).nullable().default(null),
  doors: z.int('Type how many doors it has.').min(1).max(7),
  /** Empty where nobody has asked yet. */
  trim: z.string().trim().max(60, 'Type at most 60 characters.'),
  audioPackage: z.string().trim().max(80, 'Type at most 80 characters.'),
  steeringSide: z.enum(['left', 'right']),
  /** The country or region it was sold in; empty where nobody has asked. */
  market: z.string().trim().max(60, 'Type at most 60 characters.').default(''),
  /** Other names for it, such as those of other markets. */
  aliases: z.array(z.string().trim().min(1).max(60, 'Type at most 60 characters a name.')).max(12).default([]),
});
export type Variant = z.infer<typeof variantSchema>;

export const MOST_OPENINGS = 40;
const MOST_DISPUTES = 30;

export const disputeSchema = z.strictObject({
  /** Of what, as the record calls it. */
  label: z.string().min(1).max(160),
  /** What it is said to be. */
  says: z.string().max(300),
  by: z.string().max(80),
  at: z.iso.datetime(),
});
export type Dispute = z.infer<typeof disputeSchema>;

export const vehicleSchema = variantSchema.extend({
  id: z.string().min(1).max(80),
  beganAs: beganAsSchema.nullable().default(null),
  note: z.string().max(1000).default(''),
  openings: z.array(openingRecordSchema).max(MOST_OPENINGS),
  /** What is tried of it before the work; null where nobody wrote it down, and what is usual for its body is taken. */
  functions: z.array(functionKeySchema).max(MOST_FUNCTIONS).nullable().default(null),
  /** What somebody sees otherwise than it is written: for the owner to settle. */
  disputes: z.array(disputeSchema).max(MOST_DISPUTES, 'Settle some of what is disputed first.').default([]),
  /** What such a car is known to have; what nobody looked at is not in it. */
  facts: carFactsSchema.default({}),
  panels: z.array(panelSchema).max(MOST_PANELS).default([]),
  spaces: spacesSchema.default(null),
  routes: routesSchema.default(null),
  channels: channelsSchema.default(null),
  /** Of the radio and of the maker's amplifier. */
  devicePlugs: devicePlugsSchema.default(null),
});

export type VehicleRecord = z.infer<typeof vehicleSchema>;

export function vehicleName({ make, model }: Pick<VehicleRecord, 'make' | 'model'>): string {
  return `${make} ${model}`;
}

/** "2014 to 2019", "from 2014". */
export function yearsWords({ from, to }: Years): string {
  if (from === null) return to === null ? 'years not known' : `up to ${to}`;
  if (to === null) return `from ${from}`;
  return from === to ? String(from) : `${from} to ${to}`;
}

/** With the years and the trim, which tell it from others of its name. */
export function vehicleLabel(vehicle: Pick<VehicleRecord, 'make' | 'model' | 'years' | 'trim'>): string {
  return `${vehicleName(vehicle)}, ${yearsWords(vehicle.years)}, ${vehicle.trim || 'trim not known'}`;
}

/** "Estate, 5 doors", "Pickup, crew cab, 4 doors". */
export function bodyWords({ body, cab, doors }: Pick<VehicleRecord, 'body' | 'cab' | 'doors'>): string {
  return [BODY_LABELS[body], ...(cab ? [CAB_LABELS[cab]] : []), `${doors} doors`].join(', ');
}

/** Whether some year may belong to both; a year that nobody knows may be any. */
export function yearsOverlap(a: Years, b: Years): boolean {
  return (a.from ?? FIRST_YEAR) <= (b.to ?? LAST_YEAR) && (b.from ?? FIRST_YEAR) <= (a.to ?? LAST_YEAR);
}

const TOLD_APART_BY = [
  'make',
  'model',
  'body',
  'cab',
  'doors',
  'trim',
  'audioPackage',
  'steeringSide',
  'market',
] as const;

/** Whether nothing that is written down tells two variants apart, whatever case it is written in. */
export function isSameVariant(a: Variant, b: Variant): boolean {
  return yearsOverlap(a.years, b.years) && TOLD_APART_BY.every((key) => plain(a[key]) === plain(b[key]));
}

function plain(value: string | number | null): string {
  return String(value ?? '')
    .trim()
    .toLowerCase();
}

/** The first panel that is in the list twice, as it is called; null where each is there once. */
export function doublePanel(panels: VehicleRecord['panels']): string | null {
  const labels = panels.map(panelLabel);
  return labels.find((label, at) => labels.indexOf(label) !== at) ?? null;
}

/** The first place that is in the list twice, as it is called; null where each is there once. */
export function doublePlace(openings: VehicleRecord['openings']): string | null {
  const labels = openings.map((opening) => placeLabel(opening));
  return labels.find((label, at) => labels.indexOf(label) !== at) ?? null;
}
