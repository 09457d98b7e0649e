/** The one ranking worker of this page, told the catalogue when it changes. */
import type { Ranking } from '@low-quarry/core/fit/Ranking';
import type { FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { type Remote, wrap } from 'comlink';
import type { RankWorker } from './rankWorker';

let worker: Remote<RankWorker> | null = null;
let known: FitCatalogue | null = null;

export async function rankInWorker(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): Promise<Ranking> {
  worker ??= wrap<RankWorker>(new Worker(new URL('./rankWorker.ts', import.meta.url), { type: 'module' }));
  if (known !== catalogue) {
    known = catalogue;
    await worker.setCatalogue(catalogue);
  }
  return worker.rank(opening, rules);
}
