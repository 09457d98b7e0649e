/** The other way round: one speaker in many openings, each judged at the best stack that the shop's brackets and rings make. */
import { VERDICTS_BY_RANK } from './Check';
import { CatalogueIndex } from './search/CatalogueIndex';
import { FitEngine } from './search/FitEngine';
import type { RankedStack } from './search/Ranking';
import type { FitCatalogue, FitOpening, FitRules, FitSpeaker } from './shapes';

const HITS = VERDICTS_BY_RANK.indexOf('hits');
const CLEARS = VERDICTS_BY_RANK.indexOf('clears');

/**
 * @param catalogue its speakers do not matter
 * @returns of each opening the best stack; null where every one hits: of those nobody asks by how much
 */
export function whereItFits(
  speaker: FitSpeaker,
  openings: readonly FitOpening[],
  catalogue: FitCatalogue,
  rules: FitRules,
): readonly (RankedStack | null)[] {
  const engine = new FitEngine(new CatalogueIndex({ ...catalogue, speakers: [speaker] }), rules);
  return openings.map((each) => {
    // What is worked out of an opening is kept as long as the opening is: of a copy, until the next one's turn.
    const opening = { ...each };
    // A verdict takes a tenth of what all figures take, and most openings are of another size.
    engine.rank(opening, { figures: false });
    if (engine.verdict[0] === HITS) return null;
    // Of what clears the first look knows all: the order of what does not needs the figures.
    if (engine.verdict[0] !== CLEARS) engine.rank(opening);
    return engine.rankedSpeaker(0).best;
  });
}
