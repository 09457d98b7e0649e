/**
 * The baseline: what works, how it sounds and what is scratched before anybody touches the car, and the same list tried again when the
 * keys go back. What was not tried is neither good nor bad, and stays open.
 */
import { z } from 'zod';
import { functionKeySchema, functionLabel, functionsOf, MOST_FUNCTIONS, needsEverySpeaker } from './functions';
import { askedTextSchema } from './intake';
import { isHeardWrong } from './oldSpeaker';
import type { OpeningRecord } from './opening';
import type { VehicleRecord } from './vehicle';

export const TRIED_LABELS = { works: 'Works', doesNot: 'Does not', notThere: 'Not there' } as const;
export type Tried = keyof typeof TRIED_LABELS;
export const TRIED = Object.keys(TRIED_LABELS) as [Tried, ...Tried[]];

const shortText = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);

export const triedSchema = z.strictObject({ state: z.enum(TRIED), note: shortText(200) });
export type TriedFunction = z.infer<typeof triedSchema>;

const triedByKeySchema = z
  .record(functionKeySchema, triedSchema)
  .refine((tried) => Object.keys(tried).length <= 2 * MOST_FUNCTIONS, 'These are too many things for one car.');
export type TriedByKey = Readonly<Record<string, TriedFunction>>;

export const listeningSchema = z.strictObject({
  /** As the radio shows it. */
  volume: shortText(20).min(1, 'Type the volume as the radio shows it, such as 12.'),
  source: shortText(60),
  road: shortText(60),
  kmh: z.int('Type a speed such as 50.').min(0, 'Type 0 or more.').max(300, 'Type at most 300 km/h.').nullable(),
  seat: shortText(40),
  words: shortText(300),
});
export type Listening = z.infer<typeof listeningSchema>;
export const MOST_LISTENED = 8;

/** Points of a stroke from the upper left corner of its field, in thousandths of the field's width. */
const strokeSchema = z
  .array(z.tuple([z.int().min(0).max(1000), z.int().min(0).max(1000)]))
  .min(1)
  .max(2000, 'This stroke is too long: clear the field and sign again.');
export const signatureSchema = z.strictObject({
  by: shortText(80).min(1, 'Type who signs.'),
  at: z.iso.datetime(),
  strokes: z
    .array(strokeSchema)
    .min(1, 'Sign in the field.')
    .max(200, 'These are too many strokes: clear the field and sign again.'),
});
export type Signature = z.infer<typeof signatureSchema>;

const MOST_SETTINGS = 80;

/** What a fitter set, by its name: "Gain, front left" is "12.6 V". */
const settingsSchema = z
  .record(z.string().min(1).max(140), shortText(60).min(1, 'Type what was set, or leave it out.'))
  .refine((settings) => Object.keys(settings).length <= MOST_SETTINGS, `Keep to ${MOST_SETTINGS} settings.`);
export type BaselineSettings = Readonly<Record<string, string>>;

export const baselineSchema = z.strictObject({
  functions: triedByKeySchema,
  /** Of the radio: what was set before it loses its supply; null where nobody looked, empty where nothing is set. */
  radio: askedTextSchema,
  listening: z.array(listeningSchema).max(MOST_LISTENED, `Keep to ${MOST_LISTENED} notes.`),
  /** Scratches and missing parts; null where nobody looked, empty where there are none. */
  damage: askedTextSchema,
  signed: signatureSchema.nullable(),
  /** The same things tried again at hand-over. */
  after: triedByKeySchema,
  /** How the finished car was set. */
  settings: settingsSchema.default({}),
});
export type Baseline = z.infer<typeof baselineSchema>;

export const NO_BASELINE: Baseline = {
  functions: {},
  radio: null,
  listening: [],
  damage: null,
  signed: null,
  after: {},
  settings: {},
};

/** Of an opening of the car, beside its functions. */
type BaselineOpening = {
  readonly id: string;
  readonly record: Pick<OpeningRecord, 'presence' | 'oldSpeaker'>;
};

/** What a speaker is called among the functions. */
export function speakerKey(openingId: string): string {
  return `speaker.${openingId}`;
}

/** What of this car is tried: what its variant has, and what somebody found on this one. */
export function functionsTried(
  vehicle: Pick<VehicleRecord, 'functions' | 'doors' | 'body'>,
  { functions }: Pick<Baseline, 'functions'>,
): readonly string[] {
  const known = functionsOf(vehicle);
  return [...known, ...Object.keys(functions).filter((key) => !known.includes(key))];
}

/** Speakers that are fitted, or may be, and were not heard alone. */
export function notHeard<Opening extends BaselineOpening>(openings: readonly Opening[]): readonly Opening[] {
  return openings.filter(
    ({ record: { presence, oldSpeaker } }) =>
      presence === 'notLooked' || (presence === 'fitted' && (oldSpeaker === null || oldSpeaker.plays === 'notTried')),
  );
}

/**
 * What was not tried before the work. Fader and balance count once every speaker was heard alone: before, nobody knows what was heard.
 *
 * @returns keys of functions; the speakers are asked for at their openings
 */
export function untried(
  vehicle: Pick<VehicleRecord, 'functions' | 'doors' | 'body'>,
  baseline: Pick<Baseline, 'functions'>,
  openings: readonly BaselineOpening[],
): readonly string[] {
  const areAllHeard = notHeard(openings).length === 0;
  return functionsTried(vehicle, baseline).filter(
    (key) => !baseline.functions[key] || (needsEverySpeaker(key) && !areAllHeard),
  );
}

/** How something stands at hand-over. */
export type Standing = 'notTried' | 'asBefore' | 'worse' | 'better' | 'notComparable';

/** @param before null where nobody tried it before the work: then nobody can say whether it got worse */
export function standingOf(before: Tried | null, after: Tried | null): Standing {
  if (after === null) return 'notTried';
  if (before === null) return after === 'works' ? 'asBefore' : 'notComparable';
  if (before === after) return 'asBefore';
  return after === 'works' ? 'better' : before === 'works' ? 'worse' : 'asBefore';
}

export type Compared = {
  readonly key: string;
  readonly before: Tried | null;
  readonly after: Tried | null;
  readonly standing: Standing;
};

/** Everything that was there before the work, with how it stands after it; the speakers last. */
export function comparedAtHandOver(
  vehicle: Pick<VehicleRecord, 'functions' | 'doors' | 'body'>,
  baseline: Baseline,
  openings: readonly BaselineOpening[],
): readonly Compared[] {
  const before = (key: string) => baseline.functions[key]?.state ?? null;
  const functions = functionsTried(vehicle, baseline)
    .filter((key) => before(key) !== 'notThere')
    .map((key) => [key, before(key)] as const);
  const speakers = openings
    .filter(({ record: { presence } }) => presence === 'fitted' || presence === 'notLooked')
    .map(({ id, record }) => [speakerKey(id), speakerBefore(record)] as const);
  return [...functions, ...speakers].map(([key, was]) => {
    const now = baseline.after[key]?.state ?? null;
    return { key, before: was, after: now, standing: standingOf(was, now) };
  });
}

function speakerBefore({ oldSpeaker }: BaselineOpening['record']): Tried | null {
  if (oldSpeaker === null || oldSpeaker.plays === 'notTried') return null;
  return isHeardWrong(oldSpeaker) ? 'doesNot' : 'works';
}

/** "Works", "Does not: slow on the way up". */
export function triedWords(tried: TriedFunction | undefined): string {
  if (!tried) return 'not tried';
  return tried.note ? `${TRIED_LABELS[tried.state]}: ${tried.note}` : TRIED_LABELS[tried.state];
}

export function listeningWords(listening: readonly Listening[]): string {
  if (listening.length === 0) return 'none';
  return listening
    .map(({ volume, source, road, kmh, seat, words }) =>
      [`at ${volume}`, source, road, kmh === null ? '' : `${kmh} km/h`, seat, words].filter(Boolean).join(', '),
    )
    .join('; ');
}

export function signatureWords(signed: Signature | null): string {
  return signed ? `${signed.by}, ${signed.at.slice(0, 10)}` : 'not signed';
}

/** In one line: "3 things do not work, 12 work". */
export function baselineWords({ functions, signed }: Baseline): string {
  const tried = Object.values(functions);
  if (tried.length === 0) return 'nothing tried';
  const broken = Object.entries(functions).filter(([, { state }]) => state === 'doesNot');
  const works = tried.filter(({ state }) => state === 'works').length;
  const faults = broken.map(([key]) => functionLabel(key).toLowerCase());
  return [
    `${works} ${works === 1 ? 'thing works' : 'things work'}`,
    ...(faults.length > 0 ? [`does not work: ${faults.join('; ')}`] : []),
    ...(signed ? [`signed by ${signed.by}`] : []),
  ].join(', ');
}
