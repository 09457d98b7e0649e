/**
 * The crossovers of one car: each takes one channel in and gives every speaker of a set what it is made for. Its chain is closed where each output
 * ends at a speaker, or is left over on purpose and insulated.
 */
import { z } from 'zod';
import { type Box, BRANCH_TO, boxSchema, boxWords, filterSchema, filterWords } from '../catalogue';
import { refuseSameName } from './sameName';

const text = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);

export const OUTPUT_LABELS = { tweeter: 'Tweeter', midrange: 'Midrange', woofer: 'Woofer' } as const satisfies Readonly<
  Record<(typeof BRANCH_TO)[number], string>
>;
export type OutputTo = (typeof BRANCH_TO)[number];

export const OUTPUT_LEAD_LABELS = { factory: 'The car’s own wire', new: 'A wire of its own' } as const;
export type OutputLead = keyof typeof OUTPUT_LEAD_LABELS;
export const OUTPUT_LEADS = Object.keys(OUTPUT_LEAD_LABELS) as [OutputLead, ...OutputLead[]];

export const CROSSOVER_AT_LABELS = {
  door: 'Behind a door’s card',
  dash: 'In the dash',
  cabin: 'Under a seat, in a console or the boot',
  amplifier: 'Beside the amplifier',
} as const;
export type CrossoverAt = keyof typeof CROSSOVER_AT_LABELS;
export const CROSSOVER_ATS = Object.keys(CROSSOVER_AT_LABELS) as [CrossoverAt, ...CrossoverAt[]];

export const CROSSOVER_COMES_LABELS = {
  set: 'With the set, for its own speakers',
  own: 'By itself, for no set',
} as const;
export type CrossoverComes = keyof typeof CROSSOVER_COMES_LABELS;
export const CROSSOVER_COMES = Object.keys(CROSSOVER_COMES_LABELS) as [CrossoverComes, ...CrossoverComes[]];

const outputSchema = z.strictObject({
  to: z.enum(BRANCH_TO),
  /** Null until somebody decided. */
  ends: z
    .discriminatedUnion('kind', [
      /** An opening, as it is called: "Front door, left". */
      z.strictObject({ kind: z.literal('place'), place: text(100).min(1, 'Choose where it ends.') }),
      z.strictObject({ kind: z.literal('unused'), isInsulated: z.boolean() }),
    ])
    .nullable(),
  /** What it lets pass, as its sheet says; null where nobody wrote it down. */
  filter: filterSchema.nullable(),
  /** Null until somebody decided. */
  lead: z.enum(OUTPUT_LEADS).nullable(),
});
export type CrossoverOutput = z.infer<typeof outputSchema>;

export const crossoverSchema = z.strictObject({
  name: text(40).min(1, 'Type what it is called, such as “front left”.'),
  /** The name of the channel that feeds it; empty until somebody decided. */
  channel: text(40),
  outputs: z
    .array(outputSchema)
    .min(1, 'A crossover has an output at least.')
    .max(BRANCH_TO.length)
    .refine(
      (outputs) => new Set(outputs.map(({ to }) => to)).size === outputs.length,
      'Each output stands there once.',
    ),
  at: z.enum(CROSSOVER_ATS).nullable(),
  /** Whether it lies where one pair of the car forks to both of its speakers: before that no output has a wire of its own. */
  isAtFork: z.boolean(),
  /** The vehicle's space that it lies in, by its name; empty where none is meant. */
  space: text(60),
  /** What holds it; empty where nobody said. */
  heldBy: text(120),
  /** Null where nobody measured it. */
  box: boxSchema.nullable(),
  /** Thickness of the sheet that a hanger for it is cut from, mm; null for none. */
  hangerMm: z
    .number('Type a thickness in mm.')
    .positive('Type a thickness above 0 mm.')
    .max(60, 'Type at most 60 mm.')
    .nullable()
    .default(null),
  comes: z.enum(CROSSOVER_COMES).nullable(),
});
export type Crossover = z.infer<typeof crossoverSchema>;

/** Where its box lies and what it came with, before anybody decided. */
export const UNDECIDED_BOX = {
  ...{ at: null, isAtFork: false, space: '', heldBy: '', hangerMm: null, box: null, comes: null },
} as const satisfies Partial<Crossover>;

const MOST = 8;
export const crossoversSchema = z
  .array(crossoverSchema)
  .max(MOST, `Keep to ${MOST} crossovers.`)
  .superRefine(refuseSameName('Another crossover is called so: call it otherwise.'));

/** "tweeter, high-pass 3500 Hz, 12 dB, to Sail panel, left, a wire of its own". */
export function outputWords({ to, ends, filter, lead }: CrossoverOutput): string {
  const end =
    ends === null
      ? 'nobody decided where it ends'
      : ends.kind === 'place'
        ? `to ${ends.place}`
        : ends.isInsulated
          ? 'left over, insulated'
          : 'left over, not insulated yet';
  const isLed = ends?.kind === 'place';
  return [
    OUTPUT_LABELS[to].toLowerCase(),
    filter === null ? 'filter not written down' : filterWords(filter),
    end,
    ...(isLed ? [lead === null ? 'lead not decided' : OUTPUT_LEAD_LABELS[lead].toLowerCase()] : []),
  ].join(', ');
}

/** "from channel front left; tweeter, …; woofer, …; behind a door’s card, held by two ties; 120 × 80 × 38 mm; with the set, for its own speakers". */
export function crossoverWords(crossover: Crossover | undefined): string {
  if (crossover === undefined) return 'none';
  const { channel, outputs, box, comes } = crossover;
  return [
    channel === '' ? 'channel not decided' : `from channel ${channel}`,
    ...outputs.map(outputWords),
    liesWords(crossover),
    box === null ? 'size not known' : boxWords(box satisfies Box),
    ...(crossover.hangerMm === null ? [] : [`a hanger cut from ${crossover.hangerMm} mm sheet`]),
    comes === null ? 'where it comes from not decided' : CROSSOVER_COMES_LABELS[comes].toLowerCase(),
  ].join('; ');
}

/** "behind a door’s card, held by two ties"; "where it lies not decided". */
export function liesWords({
  at,
  isAtFork,
  space,
  heldBy,
}: Pick<Crossover, 'at' | 'isAtFork' | 'space' | 'heldBy'>): string {
  if (at === null && space === '') return 'where it lies not decided';
  const where = [
    // A space says where more closely.
    at === null || space !== '' ? '' : CROSSOVER_AT_LABELS[at].toLowerCase(),
    isAtFork ? 'where the car’s pair forks' : '',
    space,
  ]
    .filter(Boolean)
    .join(', ');
  return `${where}, ${heldBy === '' ? 'what holds it not said' : `held by ${heldBy}`}`;
}
