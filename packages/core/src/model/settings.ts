/** The shop's settings. */
import { z } from 'zod';
import type { FitRules } from '../fit';
import { liftNameSchema } from './booking';
import { clockSchema, WEEKDAYS } from './clock';
import { currencySchema } from './currency';
import { SOURCE_HALF_WIDTHS_MM, SOURCE_IDS, type SourceId } from './source';

/** In which order the shop writes a day. */
export const SIGNATURES = ['offered', 'asked'] as const;
/** What of a plug's polarity the shop takes for a proof: a test alone, or a lead that goes in one way only too. */
export const POLARITY_PROOFS = ['test', 'testOrKey'] as const;
export const DAY_ORDERS = ['dayFirst', 'monthFirst', 'yearFirst'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

const clearanceMm = z.number().min(0).max(50);

/** Common thicknesses of board and plastic sheet (common practice, no source). */
const STOCK_DEFAULTS = [3, 5, 6, 9, 12, 15, 18].map((thicknessMm) => ({
  thicknessMm,
  halfWidthMm: 0.3,
  ringCostMinor: 1200 + 30 * thicknessMm,
}));

/** Where cars are worked on, by their names; the shop says how many it has. */
const LIFTS = ['Lift 1', 'Lift 2'];
export const MOST_LIFTS = 12;
const OPEN_HOURS = { from: '08:00', to: '17:30', days: WEEKDAYS.slice(0, 5) };
/** From memory where no other origin is said, for the shop to set, mm. */
const CLEARANCES_MM = {
  glass: 5,
  metal: 4,
  wiring: 2,
  front: 3,
  /** Off cloth in front: 0 where it may be touched (common practice, no source). */
  cloth: 0,
  hole: 1,
  terminal: 4,
  /** How far plate, ring or flange reach over the hole under them (common practice, no source). */
  cover: 2,
  /** Left beside a screw to the edge of a ring (common practice, no source). */
  wall: 1.5,
  /** How far a screw reaches into what holds it (common practice, no source). */
  bite: 6,
  /** Between a pilot's end and a face that is seen (common practice, no source). */
  finished: 3,
} as const;
const SHEET_MM = { lengthMm: 600, widthMm: 400, kerfMm: 3 };
const MOST_RAISED_MM = 45;
const RETURN_COST_MINOR = 4500;
const MINUTE_COST_MINOR = 110;
const SCHOOLS = { meter: 'belowNominal', splice: 'crimp', fit: 'tape' } as const;

export const settingsSchema = z.strictObject({
  name: z.string().min(1).max(80),
  currency: currencySchema,
  unit: z.enum(['mm', 'in']),
  /** What a shop did not have before has a default, so that what it kept can be read. */
  clearancesMm: z.strictObject({
    glass: clearanceMm,
    metal: clearanceMm,
    wiring: clearanceMm.default(CLEARANCES_MM.wiring),
    front: clearanceMm,
    cloth: clearanceMm.default(CLEARANCES_MM.cloth),
    hole: clearanceMm,
    terminal: clearanceMm.default(CLEARANCES_MM.terminal),
    cover: clearanceMm.default(CLEARANCES_MM.cover),
    wall: clearanceMm.default(CLEARANCES_MM.wall),
    bite: clearanceMm.default(CLEARANCES_MM.bite),
    finished: clearanceMm.default(CLEARANCES_MM.finished),
  }),
  confidence: z.number().gt(0.5).lt(1),
  /** Sheet that rings are cut from, with what a ring costs in minor units of the currency, time included. */
  stock: z
    .array(
      z.strictObject({
        thicknessMm: z.number().positive().max(60),
        halfWidthMm: z.number().min(0).max(5).default(0.3),
        ringCostMinor: z.int().min(0),
      }),
    )
    .max(30)
    .default(() => [...STOCK_DEFAULTS]),
  /** How large the sheets are, and what the saw takes away, mm (common sizes, from memory). */
  sheet: z
    .strictObject({
      lengthMm: z.number().min(100).max(3000),
      widthMm: z.number().min(100).max(3000),
      kerfMm: z.number().min(0).max(20),
    })
    .default(SHEET_MM),
  /** Brackets and spacer together must not be higher. */
  mostRaisedMm: z.number().positive().max(150).default(MOST_RAISED_MM),
  /** What a return costs (freight, second visit) and a minute at the car, in minor units of the currency. */
  returnCostMinor: z.int().min(0).default(RETURN_COST_MINOR),
  minuteCostMinor: z.int().min(0).default(MINUTE_COST_MINOR),
  halfWidthsMm: z.record(z.enum(SOURCE_IDS), z.number().min(0).max(100)),
  /** The smallest step that is read off an instrument; 0 where its half-width counts it already. */
  resolutionsMm: z.partialRecord(z.enum(SOURCE_IDS), z.number().min(0).max(20)).default({}),
  paper: z.enum(['A4', 'Letter']).default('A4'),
  dates: z.enum(DAY_ORDERS).default('dayFirst'),
  /** Of the customer, for what works before the work. */
  signature: z.enum(SIGNATURES).default('offered'),
  polarityProof: z.enum(POLARITY_PROOFS).default('test'),
  workingHours: z
    .strictObject({ from: clockSchema, to: clockSchema, days: z.array(z.enum(WEEKDAYS)) })
    .refine(({ from, to }) => from < to, { path: ['to'], message: 'type a closing time after the opening time' })
    .default(OPEN_HOURS),
  lifts: z
    .array(liftNameSchema)
    .min(1, 'name at least one lift or place')
    .max(MOST_LIFTS, `name at most ${MOST_LIFTS} lifts`)
    .refine((lifts) => new Set(lifts).size === lifts.length, 'name each lift once')
    .default(() => [...LIFTS]),
  /** Where good shops differ: how an ohmmeter is read, how wires are joined, what is believed of a fit. */
  schools: z
    .strictObject({
      meter: z.enum(['belowNominal', 'nearNominal']),
      splice: z.enum(['solder', 'crimp', 'plugIn']),
      fit: z.enum(['tape', 'catalogue']),
    })
    .default(SCHOOLS),
});

export type ShopSettings = z.infer<typeof settingsSchema>;

export const SETTINGS_DEFAULTS: Omit<ShopSettings, 'name'> = {
  currency: 'EUR',
  unit: 'mm',
  clearancesMm: CLEARANCES_MM,
  confidence: 0.975,
  stock: STOCK_DEFAULTS,
  sheet: SHEET_MM,
  mostRaisedMm: MOST_RAISED_MM,
  returnCostMinor: RETURN_COST_MINOR,
  minuteCostMinor: MINUTE_COST_MINOR,
  halfWidthsMm: SOURCE_HALF_WIDTHS_MM,
  resolutionsMm: {},
  paper: 'A4',
  dates: 'dayFirst',
  signature: 'offered',
  polarityProof: 'test',
  workingHours: OPEN_HOURS,
  lifts: LIFTS,
  schools: SCHOOLS,
};

/**
 * How far a reading may lie from the truth to either side, the reading off counted in: half-widths of two rectangles add up
 * by their squares, as their variances do (JCGM 100:2008, 4.3.7 and F.2.2.1).
 */
export function readingHalfWidthsMm({
  halfWidthsMm,
  resolutionsMm,
}: Pick<ShopSettings, 'halfWidthsMm' | 'resolutionsMm'>): Readonly<Record<SourceId, number>> {
  const entries = SOURCE_IDS.map((source) => [
    source,
    Math.hypot(halfWidthsMm[source], (resolutionsMm[source] ?? 0) / 2),
  ]);
  return Object.fromEntries(entries) as Record<SourceId, number>;
}

export function toFitRules({ clearancesMm, confidence, stock, mostRaisedMm }: ShopSettings): FitRules {
  return { clearancesMm, confidence, stock, mostRaisedMm };
}
