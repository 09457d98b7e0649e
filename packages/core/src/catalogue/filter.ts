/** What a filter lets pass. */
import { z } from 'zod';

const hz = z.number().min(10).max(40_000);

export const FILTER_ORDERS = [1, 2, 3, 4] as const;
/** Each order falls by 6 dB more an octave. */
export const DB_PER_ORDER = 6;

const sideSchema = z.strictObject({
  hz,
  order: z.int().min(1, 'The order is 1 to 4.').max(4, 'The order is 1 to 4.'),
});

export const filterSchema = z
  .strictObject({
    /** Below this it lets little pass; null where it lets the bass pass. */
    highPass: sideSchema.nullable(),
    /** Above this it lets little pass; null where it lets the treble pass. */
    lowPass: sideSchema.nullable(),
  })
  .refine(
    ({ highPass, lowPass }) => highPass !== null || lowPass !== null,
    'A filter has a high-pass, a low-pass or both.',
  )
  .refine(
    ({ highPass, lowPass }) => highPass === null || lowPass === null || highPass.hz < lowPass.hz,
    'A band begins below where it ends.',
  );
export type Filter = z.infer<typeof filterSchema>;

export const BRANCH_TO = ['tweeter', 'midrange', 'woofer'] as const;

/** What a crossover sends to each speaker, one branch each; empty where nobody wrote it down. */
export const branchesSchema = z
  .array(z.strictObject({ to: z.enum(BRANCH_TO), filter: filterSchema }))
  .max(BRANCH_TO.length)
  .refine(
    (branches) => new Set(branches.map(({ to }) => to)).size === branches.length,
    'Each speaker has one branch: join its high-pass and low-pass.',
  );
export type Branches = z.infer<typeof branchesSchema>;
