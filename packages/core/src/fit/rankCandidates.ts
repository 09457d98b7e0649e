/** Ranks a catalogue for one opening, from nothing. For a hand that moves, keep a `FitEngine` and rank again. */
import { CatalogueIndex } from './engine/CatalogueIndex';
import { FitEngine } from './engine/FitEngine';
import type { Ranking } from './Ranking';
import type { FitCatalogue, FitOpening, FitRules } from './shapes';

/** @returns all speakers of the catalogue, best first; empty for an empty catalogue */
export function rankCandidates(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): Ranking {
  const engine = new FitEngine(new CatalogueIndex(catalogue), rules);
  engine.rank(opening);
  return engine.ranking();
}
