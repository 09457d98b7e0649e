/** Ranks a catalogue for an opening, off the screen's thread. Only a wrapper: the work is the core's. */
import '../schemaSetup';
import { type Advice, type AdviceOptions, advise } from '@low-quarry/core/fit/advice';
import { CatalogueIndex } from '@low-quarry/core/fit/engine/CatalogueIndex';
import { FitEngine } from '@low-quarry/core/fit/engine/FitEngine';
import { harnessFor } from '@low-quarry/core/fit/judgeCandidate';
import type { Ranking } from '@low-quarry/core/fit/Ranking';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { expose } from 'comlink';

let index: CatalogueIndex | null = null;
let engine: FitEngine | null = null;
let rulesKey = '';
let ranked: FitOpening | null = null;

const worker = {
  /** The catalogue stays here: what was worked out for it serves every opening after the first. */
  setCatalogue(next: FitCatalogue): void {
    index = new CatalogueIndex(next);
    engine = null;
  },
  rank(opening: FitOpening, rules: FitRules): Ranking {
    if (!index) throw new Error('rankWorker: expected setCatalogue before rank');
    const key = JSON.stringify(rules);
    if (!engine || key !== rulesKey) engine = new FitEngine(index, rules);
    rulesKey = key;
    engine.rank(opening);
    ranked = opening;
    return engine.ranking();
  },
  /** Advice on one candidate; ranks first when the last ranking was for another opening. */
  advise(opening: FitOpening, rules: FitRules, candidate: Candidate, options: AdviceOptions): Advice {
    if (!engine || JSON.stringify(ranked) !== JSON.stringify(opening)) worker.rank(opening, rules);
    if (!engine || !index) throw new Error('rankWorker: expected a ranking');
    return advise(
      engine,
      opening,
      candidate,
      harnessFor(opening, candidate.speaker, index.catalogue.adapters),
      options,
    );
  },
};
export type RankWorker = typeof worker;

expose(worker);
