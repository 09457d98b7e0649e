/** Readings with a piece in the hand as they are typed: a line of text for each figure. What was not touched keeps who read it and when. */
import {
  bodyBoxWords,
  handWords,
  IN_HAND_FIGURES,
  type InHand,
  type InHandFigure,
  readBodyBoxWords,
  readHandWords,
  type SpeakerRecord,
  type TerminalsInHand,
} from '@low-quarry/core/catalogue';
import { SOURCE_IDS, SOURCES, type SourceId } from '@low-quarry/core/model';
import { isSame } from '@low-quarry/core/records';
import { z } from 'zod';

/** What reads a piece on the bench. */
export const HAND_SOURCES = SOURCE_IDS.filter((id) => SOURCES[id].origin === 'takenHere');

export const inHandTypedSchema = z.object({
  with: z.enum(SOURCE_IDS),
  figures: z.record(z.enum(IN_HAND_FIGURES), z.string()),
  terminals: z.string(),
});
export type InHandTyped = z.output<typeof inHandTypedSchema>;
export type InHandRead = { inHand: InHand[]; terminalsInHand: TerminalsInHand | null };

export function toInHandTyped({
  inHand,
  terminalsInHand,
}: Pick<SpeakerRecord, 'inHand' | 'terminalsInHand'>): InHandTyped {
  const textOf = (figure: InHandFigure) => inHand.find((each) => each.figure === figure)?.pieces ?? [];
  const figures = Object.fromEntries(IN_HAND_FIGURES.map((figure) => [figure, handWords(textOf(figure))]));
  const terminals = terminalsInHand ? bodyBoxWords(terminalsInHand.boxes) : '';
  return { with: 'calliper', figures: figures as InHandTyped['figures'], terminals };
}

type Hand = {
  /** What is kept now. */
  readonly inHand: readonly InHand[];
  readonly terminalsInHand: TerminalsInHand | null;
  /** Who reads, and on which day. */
  readonly by: string;
  readonly on: string;
  /** How far a reading may lie off, mm. */
  readonly halfWidthsMm: Readonly<Record<SourceId, number>>;
};

/** What is refused stands at the figure's field. */
export function readInHandSchema({
  inHand,
  terminalsInHand,
  by,
  on,
  halfWidthsMm,
}: Hand): z.ZodType<InHandRead, InHandTyped> {
  return inHandTypedSchema.transform(({ with: source, figures, terminals }, context) => {
    const read = IN_HAND_FIGURES.flatMap((figure): InHand[] => {
      const found = readHandWords(figures[figure]);
      if (!found.ok) {
        context.addIssue({ code: 'custom', path: ['figures', figure], message: found.failure });
        return [];
      }
      if (found.value === null) return [];
      const kept = inHand.find((each) => each.figure === figure);
      if (kept && isSame(kept.pieces, found.value)) return [kept];
      return [{ figure, pieces: found.value, halfWidthMm: halfWidthsMm[source], by, on }];
    });
    const boxes = readBodyBoxWords(terminals);
    if (!boxes.ok) context.addIssue({ code: 'custom', path: ['terminals'], message: boxes.failure });
    const placed = boxes.ok ? boxes.value : [];
    const isAsKept = terminalsInHand !== null && isSame(terminalsInHand.boxes, placed);
    const next = placed.length === 0 ? null : { boxes: placed, halfWidthMm: halfWidthsMm[source], by, on };
    // In the order they are kept in, so that nothing is changed where nothing was typed.
    const placeOf = ({ figure }: InHand) => inHand.findIndex((each) => each.figure === figure) >>> 0;
    return {
      inHand: read.toSorted((a, b) => placeOf(a) - placeOf(b)),
      terminalsInHand: isAsKept ? terminalsInHand : next,
    };
  }) as unknown as z.ZodType<InHandRead, InHandTyped>;
}
