/** A figure of a speaker that is doubted. */
import type { FigureId } from '../catalogue';

export type SpeakerDoubt = {
  readonly figure: FigureId;
  readonly value: number;
  /** Why, as a sentence. */
  readonly words: string;
  /** What it would be if the likeliest slip was made; null where none is likelier than any other. */
  readonly proposes: number | null;
  /** How likely that slip is, 0 to 1. */
  readonly chance: number;
};
