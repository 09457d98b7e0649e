/** The best way to mount one speaker in one opening, by the same engine and order as a whole catalogue's ranking. */

import type { Judgement } from './Judgement';
import { CatalogueIndex } from './search/CatalogueIndex';
import { FitEngine } from './search/FitEngine';
import type { Candidate, FitCatalogue, FitOpening, FitRules, FitSpeaker } from './shapes';

export function bestStack(
  opening: FitOpening,
  speaker: FitSpeaker,
  catalogue: FitCatalogue,
  rules: FitRules,
): { readonly candidate: Candidate; readonly judgement: Judgement } {
  const engine = new FitEngine(new CatalogueIndex({ ...catalogue, speakers: [speaker] }), rules);
  engine.rank(opening);
  return { candidate: engine.candidateOf(0), judgement: engine.judgementOf(0) };
}
