/** Speakers as points: two lengths of each that a list finds. */
import { z } from 'zod';
import { IN_HAND_FIGURES } from '../catalogue';
import { contract, nothing } from './contract';
import { findParts } from './findParts';

/** More are a cloud that nobody reads. */
export const MOST_POINTS = 5000;

/** Lengths that can be plotted. */
export const PLOTTED = IN_HAND_FIGURES;
export type Plotted = (typeof PLOTTED)[number];

export const partPoints = contract({
  method: 'get',
  path: '/api/parts/points',
  permission: 'read',
  params: findParts.params
    .pick({ find: true, open: true, within: true, size: true, speakerKind: true, made: true })
    .extend({ x: z.enum(PLOTTED), y: z.enum(PLOTTED) }),
  body: nothing,
  answer: z.object({
    /** What was measured in hand counts; lengths in mm. */
    points: z.array(z.object({ id: z.string(), label: z.string(), x: z.number(), y: z.number() })),
    /** Speakers of which one of the two is not known, or that cannot be read. */
    without: z.int(),
    /** How many more there are than are told. */
    more: z.int(),
  }),
});
export type PartPoints = z.infer<typeof partPoints.answer>;
export type PartPoint = PartPoints['points'][number];
