/** Ranks a catalogue for an opening, off the screen's thread. Only a wrapper: the work is the core's. */
import '../schemaSetup';
import { type Ranking, rankCandidates } from '@low-quarry/core/fit/rankCandidates';
import type { FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { expose } from 'comlink';

let catalogue: FitCatalogue | null = null;

const worker = {
  /** The catalogue stays here: what was worked out for its patterns serves every opening after the first. */
  setCatalogue(next: FitCatalogue): void {
    catalogue = next;
  },
  rank(opening: FitOpening, rules: FitRules, unit: LengthUnit): Ranking {
    if (!catalogue) throw new Error('rankWorker: expected setCatalogue before rank');
    return rankCandidates(opening, catalogue, rules, unit);
  },
};
export type RankWorker = typeof worker;

expose(worker);
