/** Ranks a catalogue for an opening, off the screen's thread. Only a wrapper: the work is the core's. */
import '../schemaSetup';
import { type Advice, type AdviceOptions, advise } from '@low-quarry/core/fit/advice';
import { CatalogueIndex } from '@low-quarry/core/fit/engine/CatalogueIndex';
import { CatalogueSweep } from '@low-quarry/core/fit/engine/CatalogueSweep';
import { FitEngine } from '@low-quarry/core/fit/engine/FitEngine';
import { MountIndex } from '@low-quarry/core/fit/engine/MountIndex';
import { harnessFor } from '@low-quarry/core/fit/judgeCandidate';
import type { FirstLook, Ranking } from '@low-quarry/core/fit/Ranking';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { expose } from 'comlink';

let index: CatalogueIndex | null = null;
/** For the rules that were asked last; both share what mates with what. */
let judges: { readonly rulesKey: string; readonly sweep: CatalogueSweep; readonly engine: FitEngine } | null = null;
let ranked: FitOpening | null = null;

function judgesFor(rules: FitRules) {
  if (!index) throw new Error('rankWorker: expected setCatalogue before anything else');
  const rulesKey = JSON.stringify(rules);
  if (judges?.rulesKey === rulesKey) return judges;
  const mounts = new MountIndex(index, rules);
  judges = { rulesKey, sweep: new CatalogueSweep(index, rules, mounts), engine: new FitEngine(index, rules, mounts) };
  ranked = null;
  return judges;
}

const worker = {
  /** The catalogue stays here: what was worked out for it serves every opening after the first. */
  setCatalogue(next: FitCatalogue): void {
    index = new CatalogueIndex(next);
    judges = null;
  },
  /** Every verdict and the first of what clears: what a list needs while a hand moves. */
  look(opening: FitOpening, rules: FitRules, most: number): FirstLook {
    const { sweep } = judgesFor(rules);
    sweep.sweep(opening);
    return sweep.look(most);
  },
  rank(opening: FitOpening, rules: FitRules): Ranking {
    const { engine } = judgesFor(rules);
    engine.rank(opening);
    ranked = opening;
    return engine.ranking();
  },
  /** Advice on one candidate; ranks first when the last ranking was for another opening. */
  advise(opening: FitOpening, rules: FitRules, candidate: Candidate, options: AdviceOptions): Advice {
    const { engine } = judgesFor(rules);
    if (JSON.stringify(ranked) !== JSON.stringify(opening)) worker.rank(opening, rules);
    const { adapters } = engine.index.catalogue;
    return advise(engine, opening, candidate, harnessFor(opening, candidate.speaker, adapters), options);
  },
};
export type RankWorker = typeof worker;

expose(worker);
