/** Ranks a catalogue for an opening, off the screen's thread. Only a wrapper: the work is the core's. */
import '../schemaSetup';
import { type Advice, type AdviceOptions, advise } from '@low-quarry/core/fit/advice/advice';
import { harnessFor } from '@low-quarry/core/fit/judgeCandidate';
import { CatalogueIndex } from '@low-quarry/core/fit/search/CatalogueIndex';
import { FitEngine } from '@low-quarry/core/fit/search/FitEngine';
import type { FirstLook, Ranking } from '@low-quarry/core/fit/search/Ranking';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { expose } from 'comlink';

let index: CatalogueIndex | null = null;
/** For the rules that were asked last. */
let judge: { readonly rulesKey: string; readonly engine: FitEngine } | null = null;
let ranked: FitOpening | null = null;

function engineFor(rules: FitRules): FitEngine {
  if (!index) throw new Error('rankWorker: expected setCatalogue before anything else');
  const rulesKey = JSON.stringify(rules);
  if (judge?.rulesKey !== rulesKey) judge = { rulesKey, engine: new FitEngine(index, rules) };
  ranked = null;
  return judge.engine;
}

const worker = {
  /** The catalogue stays here: what was worked out for it serves every opening after the first. */
  setCatalogue(next: FitCatalogue): void {
    index = new CatalogueIndex(next);
    judge = null;
  },
  /** Every verdict and the first of what clears: what a list needs while a hand moves. */
  look(opening: FitOpening, rules: FitRules, most: number): FirstLook {
    const engine = engineFor(rules);
    engine.rank(opening, { figures: false });
    return engine.look(most);
  },
  rank(opening: FitOpening, rules: FitRules): Ranking {
    const engine = engineFor(rules);
    engine.rank(opening);
    ranked = opening;
    return engine.ranking();
  },
  /** Advice on one candidate; ranks first when the last ranking was for another opening. */
  advise(opening: FitOpening, rules: FitRules, candidate: Candidate, options: AdviceOptions): Advice {
    const isRanked = JSON.stringify(ranked) === JSON.stringify(opening) && judge?.rulesKey === JSON.stringify(rules);
    if (!isRanked) worker.rank(opening, rules);
    const { engine } = judge as { readonly engine: FitEngine };
    const { adapters } = engine.index.catalogue;
    return advise(engine, opening, candidate, harnessFor(opening, candidate.speaker, adapters), options);
  },
};
export type RankWorker = typeof worker;

expose(worker);
