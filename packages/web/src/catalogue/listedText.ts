/** The listed parts of a catalogue as they are kept: lines of text, so that each can be read by itself. */

/** Speakers first, in the order in which the engine counts them, then those that lack figures; a line each in both. */
export type ListedText = {
  readonly speakers: number;
  readonly lacking: number;
  readonly ids: string;
  readonly records: string;
};

export const LINE = '\n';
