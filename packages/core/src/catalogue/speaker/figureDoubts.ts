/**
 * What of a speaker's figures is doubted: by which finding, what it would be instead, and who settled it how. A doubt is about one value:
 * with another one in its place it is about nothing.
 */
import { z } from 'zod';
import { handWords } from '../words/handWords';
import { FIGURE_IDS, type Figures, figuresOf, withFigure } from './figures';
import type { InHand } from './inHand';

/** How a doubt was settled; each can be looked at again. */
export const SETTLED_BY = ['measured', 'maker', 'drawing'] as const;
export const SETTLED_WORDS: Readonly<Record<(typeof SETTLED_BY)[number], string>> = {
  measured: 'A piece was measured in hand',
  maker: 'The maker was asked',
  drawing: 'The maker’s drawing says it',
};

export const figureDoubtSchema = z.strictObject({
  figure: z.enum(FIGURE_IDS),
  /** What was doubted, in the figure's unit. */
  value: z.number(),
  /** Why, as a sentence. */
  words: z.string().min(1).max(400),
  /** What it would be if the likeliest slip was made; null where none is likely. */
  proposes: z.number().nullable(),
  /** How likely that slip is among what may be the reason, 0 to 1. */
  chance: z.number().min(0).max(1),
  settled: z
    .strictObject({
      how: z.enum(SETTLED_BY),
      /** What was seen, so that somebody else can look at it again. */
      words: z.string().trim().min(8, 'Type at least 8 characters.').max(200, 'Type at most 200 characters.'),
      by: z.string().min(1).max(80),
      on: z.iso.date(),
    })
    .nullable(),
});
export type FigureDoubt = z.infer<typeof figureDoubtSchema>;

export const figureDoubtsSchema = z.array(figureDoubtSchema).max(FIGURE_IDS.length).default([]);

/** Values that differ by less are the same. */
const SAME_RATIO = 1e-6;

function isAbout({ figure, value }: FigureDoubt, figures: Figures): boolean {
  const now = figures[figure];
  return now !== undefined && Math.abs(now - value) <= SAME_RATIO * Math.abs(value);
}

/** Those that are about values which are still there: what was corrected is doubted no more, and asked about no more. */
export function pertinentDoubts(
  record: Parameters<typeof figuresOf>[0] & { readonly doubts: readonly FigureDoubt[] },
): FigureDoubt[] {
  if (record.doubts.length === 0) return [];
  const figures = figuresOf(record);
  return record.doubts.filter((doubt) => isAbout(doubt, figures));
}

/** Those that nobody settled, of values that are still there. */
export function openDoubts(
  record: Parameters<typeof figuresOf>[0] & { readonly doubts: readonly FigureDoubt[] },
): FigureDoubt[] {
  return pertinentDoubts(record).filter(({ settled }) => settled === null);
}

/** With every open doubt about a figure settled that was measured in hand since. */
export function settledByHand<
  Speaker extends Parameters<typeof pertinentDoubts>[0] & { readonly inHand: readonly InHand[] },
>(speaker: Speaker): Speaker {
  const doubts = pertinentDoubts(speaker).map((doubt) => {
    const inHand = speaker.inHand.find(({ figure }) => figure === doubt.figure);
    if (!inHand || doubt.settled) return doubt;
    const words = `Read as ${handWords(inHand.pieces)} mm`;
    return {
      ...doubt,
      settled: { how: 'measured' as const, words: words.slice(0, 200), by: inHand.by, on: inHand.on },
    };
  });
  return { ...speaker, doubts };
}

export type Settled = NonNullable<FigureDoubt['settled']>;

/** The speaker with a doubt settled: as it was listed, or by the value that was found instead. */
export function settledAs<Speaker extends Parameters<typeof pertinentDoubts>[0]>(
  speaker: Speaker,
  doubt: FigureDoubt,
  value: number,
  settled: Settled,
): Speaker {
  const found = withFigure(speaker, doubt.figure, value);
  const others = speaker.doubts.filter(({ figure }) => figure !== doubt.figure);
  return { ...found, doubts: [...others, { ...doubt, value, proposes: null, settled }] };
}
