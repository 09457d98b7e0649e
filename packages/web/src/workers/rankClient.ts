/** The one ranking worker of this page, told the catalogue when it changes. */
import type { Advice, AdviceOptions } from '@low-quarry/core/fit/advice/advice';
import type { FirstLook, Ranking } from '@low-quarry/core/fit/search/Ranking';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { type Remote, wrap } from 'comlink';
import type { RankWorker } from './rankWorker';

let worker: Remote<RankWorker> | null = null;
let known: FitCatalogue | null = null;

/** The worker with this catalogue in it. */
async function workerFor(catalogue: FitCatalogue): Promise<Remote<RankWorker>> {
  worker ??= wrap<RankWorker>(new Worker(new URL('./rankWorker.ts', import.meta.url), { type: 'module' }));
  if (known !== catalogue) {
    known = catalogue;
    await worker.setCatalogue(catalogue);
  }
  return worker;
}

export async function rankInWorker(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules): Promise<Ranking> {
  return (await workerFor(catalogue)).rank(opening, rules);
}

/** @param most so many of what clears come with their figures */
export async function lookInWorker(
  opening: FitOpening,
  catalogue: FitCatalogue,
  rules: FitRules,
  most: number,
): Promise<FirstLook> {
  return (await workerFor(catalogue)).look(opening, rules, most);
}

export async function adviseInWorker(
  opening: FitOpening,
  catalogue: FitCatalogue,
  rules: FitRules,
  candidate: Candidate,
  options: AdviceOptions,
): Promise<Advice> {
  return (await workerFor(catalogue)).advise(opening, rules, candidate, options);
}
