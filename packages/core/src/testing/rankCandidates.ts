/** Ranks a catalogue for one opening, from nothing. */
import { CatalogueIndex } from '../fit/search/CatalogueIndex';
import { FitEngine } from '../fit/search/FitEngine';
import type { Ranking } from '../fit/search/Ranking';
import type { FitCatalogue, FitOpening, FitRules } from '../fit/shapes';

/** @returns all speakers of the catalogue, best first; empty for an empty catalogue */
export function rankCandidates(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): Ranking {
  const engine = new FitEngine(new CatalogueIndex(catalogue), rules);
  engine.rank(opening);
  return engine.ranking();
}
