/** Crossovers as they are typed: the filter of each output in the words of its sheet, the box by its three sides. */
import { boxWords, filterWords, readFilterWords } from '@low-quarry/core/catalogue';
import {
  CROSSOVER_ATS,
  CROSSOVER_COMES,
  type Crossover,
  type CrossoverOutput,
  crossoversSchema,
  OUTPUT_LABELS,
  OUTPUT_LEADS,
  type OutputTo,
  UNDECIDED_BOX,
} from '@low-quarry/core/model';
import { z } from 'zod';
import { boxTyped } from '../boxTyped';

/** How the end of an output is chosen: no such output, left over in either way, or a place of the car behind this word. */
export const NO_OUTPUT = 'none';
export const INSULATED = 'insulated';
export const BARE = 'bare';
const PLACE = 'place ';

export const OUTPUTS = Object.keys(OUTPUT_LABELS) as readonly OutputTo[];

const outputTyped = z.object({
  /** Null where nobody decided. */
  ends: z.string().nullable(),
  filter: z.string(),
  lead: z.enum(OUTPUT_LEADS).nullable(),
});
type OutputTyped = z.output<typeof outputTyped>;

const fields = {
  ...{ name: z.string(), channel: z.string().nullable(), at: z.enum(CROSSOVER_ATS).nullable() },
  isAtFork: z.boolean(),
  ...{
    space: z.string().nullable(),
    heldBy: z.string(),
    hanger: z.string().nullable(),
    box: z.string(),
    comes: z.enum(CROSSOVER_COMES).nullable(),
  },
  outputs: z.object({ tweeter: outputTyped, midrange: outputTyped, woofer: outputTyped }),
};
export const crossoversTypedSchema = z.object({ crossovers: z.array(z.object(fields)) });
export type CrossoversTyped = z.output<typeof crossoversTypedSchema>;
export type CrossoverTyped = CrossoversTyped['crossovers'][number];

const outputRead = outputTyped.extend({
  filter: z.string().transform((text, context) => {
    if (text.trim() === '') return null;
    const filter = readFilterWords(text);
    if (filter.ok) return filter.value;
    context.addIssue(filter.failure);
    return z.NEVER;
  }),
});

export const readCrossoversSchema: z.ZodType<{ crossovers: Crossover[] }, CrossoversTyped> = z
  .object({
    crossovers: z.array(
      z.object({
        ...fields,
        box: boxTyped,
        outputs: z.object({ tweeter: outputRead, midrange: outputRead, woofer: outputRead }),
      }),
    ),
  })
  .transform(({ crossovers }, context) => {
    const read = crossoversSchema.safeParse(
      crossovers.map(({ channel, space, outputs, hanger, ...each }) => ({
        ...each,
        hangerMm: hanger === null ? null : Number(hanger),
        channel: channel ?? '',
        space: space ?? '',
        outputs: OUTPUTS.filter((to) => outputs[to].ends !== NO_OUTPUT).map((to) => ({
          to,
          ends: endOf(outputs[to].ends),
          filter: outputs[to].filter,
          lead: outputs[to].lead,
        })),
      })),
    );
    for (const { path, message } of read.error?.issues ?? []) {
      // An output is typed under its own name; what is said of all of them is said at the first.
      const [at, field] = path;
      const where = field === 'outputs' ? [at, 'outputs', 'tweeter', 'ends'] : path;
      context.addIssue({ code: 'custom', path: ['crossovers', ...(where as (string | number)[])], message });
    }
    return read.success ? { crossovers: read.data } : z.NEVER;
  });

function endOf(ends: string | null): CrossoverOutput['ends'] {
  if (ends === null) return null;
  return ends.startsWith(PLACE)
    ? { kind: 'place', place: ends.slice(PLACE.length) }
    : { kind: 'unused', isInsulated: ends === INSULATED };
}

export function placeEnd(place: string): string {
  return `${PLACE}${place}`;
}

export function toCrossoversTyped(crossovers: readonly Crossover[]): CrossoversTyped {
  return { crossovers: crossovers.map(toCrossoverTyped) };
}

export function toCrossoverTyped({ channel, space, box, outputs, hangerMm, ...each }: Crossover): CrossoverTyped {
  const typed = (to: OutputTo) => toOutputTyped(outputs.find((output) => output.to === to));
  return {
    ...each,
    channel: channel || null,
    space: space || null,
    box: box === null ? '' : boxWords(box),
    hanger: hangerMm === null ? null : String(hangerMm),
    outputs: { tweeter: typed('tweeter'), midrange: typed('midrange'), woofer: typed('woofer') },
  };
}

function toOutputTyped(output: CrossoverOutput | undefined): OutputTyped {
  if (output === undefined) return { ends: NO_OUTPUT, filter: '', lead: null };
  const { ends, filter, lead } = output;
  return {
    ends: ends === null ? null : ends.kind === 'place' ? placeEnd(ends.place) : ends.isInsulated ? INSULATED : BARE,
    filter: filter === null ? '' : filterWords(filter),
    lead,
  };
}

/** The next one: for two ways, which is what most sets have. */
export const EMPTY_CROSSOVER: CrossoverTyped = toCrossoverTyped({
  ...{ ...UNDECIDED_BOX, name: '', channel: '' },
  outputs: (['tweeter', 'woofer'] as const).map((to) => ({ to, ends: null, filter: null, lead: null })),
});
