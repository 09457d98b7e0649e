/** Consents that a choice still needs before it may be ordered: one for each kind of work that changes the car for good. */
import { type CarWork, isCarWork, type Work } from '../fit';

/** By kind of work: who agreed in writing, how and when. */
export type Consents = Partial<Readonly<Record<CarWork, string>>>;

/** @returns the kinds without a consent, each once, in the order of the work */
export function missingConsents(works: readonly Pick<Work, 'kind'>[], consents: Consents): readonly CarWork[] {
  const needed = works.flatMap(({ kind }) => (isCarWork(kind) ? [kind] : []));
  return [...new Set(needed)].filter((kind) => !consents[kind]);
}
