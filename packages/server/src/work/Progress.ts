/** How work outside a request says how far it is, and is told to end. */
export type Progress = {
  /**
   * @param step what is begun, as a person says it
   * @param share how much of the whole is done, 0 to 1; null where nobody can tell
   */
  readonly say: (step: string, share: number | null) => void;
  /** Aborted where the work is to end; whoever works looks at it between steps. */
  readonly signal: AbortSignal;
};

/** For work that nobody watches. */
export const UNWATCHED: Progress = { say: () => {}, signal: new AbortController().signal };

/** One step of several, as a part of the whole. */
export function within({ say, signal }: Progress, from: number, to: number): Progress {
  return { signal, say: (step, share) => say(step, share === null ? null : from + share * (to - from)) };
}

/** A fault that another try would meet again: it is told, and nothing is tried. */
export class Refused extends Error {}

export type Runner = {
  /** How often it is begun before it counts as failed. */
  readonly tries: number;
  /** Before the second try; before each further one twice as long. */
  readonly againAfterS: number;
  /**
   * @param about what the piece of work is of; null for a kind that is about nothing
   * @returns what came of it, as a sentence
   */
  readonly run: (progress: Progress, about: string | null) => Promise<string>;
};
