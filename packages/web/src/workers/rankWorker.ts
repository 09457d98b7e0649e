/** Ranks a catalogue for an opening, off the screen's thread. Only a wrapper: the work is the core's. */
import '../schemaSetup';
import { CatalogueIndex } from '@low-quarry/core/fit/engine/CatalogueIndex';
import { FitEngine } from '@low-quarry/core/fit/engine/FitEngine';
import type { Ranking } from '@low-quarry/core/fit/Ranking';
import type { FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { expose } from 'comlink';

let index: CatalogueIndex | null = null;
let engine: FitEngine | null = null;
let rulesKey = '';

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
    return engine.ranking();
  },
};
export type RankWorker = typeof worker;

expose(worker);
