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

/** The look that the worker is at; the next one waits for it. */
let lookedAt: Promise<unknown> = Promise.resolve();

/**
 * One look at a time: a hand moves faster than a large catalogue is looked through, and what it has passed by meanwhile
 * nobody wants to know any more.
 *
 * @param most so many of what clears come with their figures
 * @param signal that the answer is not wanted any more
 */
export async function lookInWorker(
  opening: FitOpening,
  catalogue: FitCatalogue,
  rules: FitRules,
  most: number,
  signal: AbortSignal,
): Promise<FirstLook> {
  const worker = await workerFor(catalogue);
  const look = lookedAt.then(() => {
    signal.throwIfAborted();
    return worker.look(opening, rules, most);
  });
  lookedAt = look.catch(() => undefined);
  return look;
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
