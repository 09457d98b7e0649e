/** For buying stock: in which openings each speaker can be, and which few of them serve the most. */
import { VERDICTS_BY_RANK } from './Check';
import { CatalogueIndex } from './search/CatalogueIndex';
import { FitEngine } from './search/FitEngine';
import type { FitCatalogue, FitOpening, FitRules } from './shapes';

/** Of one speaker the openings, by their places in the list, that it clears, and those that have to be measured first. */
export type Serves = {
  readonly speakerId: string;
  readonly clears: readonly number[];
  readonly measure: readonly number[];
};

/**
 * Every speaker in every opening of its own nominal size, each at the best stack that the catalogue's brackets and rings make: through a bracket
 * a small one goes nearly everywhere, and nobody wants it there.
 *
 * @param say how many openings are done
 */
export function servesOf(
  catalogue: FitCatalogue,
  openings: readonly FitOpening[],
  rules: FitRules,
  say: (done: number) => void = () => {},
): readonly Serves[] {
  const all = new Map(
    catalogue.speakers.map(({ id }) => [id, { speakerId: id, clears: [] as number[], measure: [] as number[] }]),
  );
  const sizes = [...new Set(catalogue.speakers.map(({ nominalSize }) => nominalSize))];
  const engines = new Map(
    sizes.map((size) => {
      const speakers = catalogue.speakers.filter(({ nominalSize }) => nominalSize === size);
      return [size, new FitEngine(new CatalogueIndex({ ...catalogue, speakers }), rules)];
    }),
  );
  for (const [at, opening] of openings.entries()) {
    const engine = engines.get(opening.nominalSize);
    engine?.rank(opening, { figures: false });
    for (const [place, { id }] of (engine?.index.speakers ?? []).entries()) {
      const verdict = VERDICTS_BY_RANK[engine?.verdict[place] as number];
      if (verdict === 'clears' || verdict === 'measure') all.get(id)?.[verdict].push(at);
    }
    say(at + 1);
  }
  return [...all.values()];
}

export type Chosen = {
  /** Its place in the list. */
  readonly at: number;
  /** Openings that none of those before it serves. */
  readonly adds: number;
};

/**
 * Few that together serve many: each time the one that adds the most openings. That is at least 1 − 1/e, some 63 %, of what the best choice
 * of as many serves (Nemhauser, Wolsey and Fisher, An analysis of approximations for maximizing submodular set functions, 1978, from
 * memory), and usually all of it.
 *
 * @param served of each the openings it serves; of those that add as many the first is taken
 * @returns at most `most`, and none that adds nothing
 */
export function chooseServing(served: readonly (readonly number[])[], most: number): readonly Chosen[] {
  const done = new Set<number>();
  const chosen: Chosen[] = [];
  while (chosen.length < most) {
    let best: Chosen = { at: -1, adds: 0 };
    for (const [at, openings] of served.entries()) {
      if (openings.length <= best.adds) continue;
      const adds = openings.reduce((sum, opening) => (done.has(opening) ? sum : sum + 1), 0);
      if (adds > best.adds) best = { at, adds };
    }
    if (best.at < 0) break;
    chosen.push(best);
    for (const opening of served[best.at] as readonly number[]) done.add(opening);
  }
  return chosen;
}
