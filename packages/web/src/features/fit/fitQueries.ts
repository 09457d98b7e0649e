/** Queries and changes of the fit screen. Each key holds everything that the answer depends on, so that another measurement, setting or part asks anew. */

import { orderedId, type PartRecord } from '@low-quarry/core/catalogue';
import type { AdviceOptions, Candidate, FitOpening, FitRules, Ranking } from '@low-quarry/core/fit';
import { ringThicknessMm, unpackRanking } from '@low-quarry/core/fit';
import { keepPreviousData, type QueryClient, queryOptions } from '@tanstack/react-query';
import { readParts } from '../../catalogue/catalogueQueries';
import { rankingStore } from '../../catalogue/deviceCatalogue';
import { askCatalogue } from '../../workers/catalogueClient';
import type { ChannelQuestion, ChannelTold } from '../../workers/channelOfCatalogue';
import { bestOf, type CandidateIds } from './startingIds';

/** Up to so many speakers a whole ranking takes no longer than a frame. */
const FRAME_SPEAKERS = 2_000;
/** A hand that has not moved for so long rests, ms. */
export const REST_MS = 200;
/** So many candidates come with a first look. */
const LOOKED_AT = 60;
/** Looks of openings that were passed by are forgotten soon, ms. */
const LOOK_KEPT_MS = 5_000;

/** Whether a catalogue is too large to be put in order while a hand moves. */
export function needsLook(speakers: number): boolean {
  return speakers > FRAME_SPEAKERS;
}

/** @param isKept whether it is worth keeping on the device: what-ifs are not */
export function rankingQuery(version: string, speakers: number, opening: FitOpening, rules: FitRules, isKept = true) {
  return queryOptions({
    queryKey: ['ranking', version, opening, rules],
    queryFn: async ({ client }): Promise<Ranking> => {
      const key = { version, opening, rules };
      if (!needsLook(speakers))
        return unpackRanking(await askCatalogue((worker) => worker.rank(version, opening, rules)));
      // One that cannot be read is worked out again, and kept in its place.
      const kept = await rankingStore
        .read(key)
        .then((found) => found && unpackRanking(found))
        .catch(() => null);
      if (kept) return kept;
      // Every verdict and the first of what clears are there in half the time: whoever waits has them meanwhile.
      if (isKept) await prefetchLook(client, version, opening, rules);
      const made = await askCatalogue((worker) => worker.rank(version, opening, rules));
      if (isKept) void rankingStore.keep(key, made).catch(() => {});
      return unpackRanking(made);
    },
    staleTime: Number.POSITIVE_INFINITY,
    // While a what-if is being dragged the list shows the last answer, not an empty screen.
    placeholderData: keepPreviousData,
    structuralSharing: false,
  });
}

/** Every verdict at once, for a catalogue that is too large to be put in order while a hand moves. */
export function lookQuery(version: string, opening: FitOpening, rules: FitRules) {
  return queryOptions({
    queryKey: ['look', version, opening, rules],
    queryFn: () => askCatalogue((worker) => worker.look(version, opening, rules, LOOKED_AT)),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: LOOK_KEPT_MS,
    placeholderData: keepPreviousData,
    structuralSharing: false,
  });
}

/** What the opening's channel says of every speaker; lengths have no part in it. */
export function channelQuery(version: string, question: ChannelQuestion) {
  return queryOptions({
    queryKey: ['channel', version, question],
    queryFn: () => askCatalogue<ChannelTold>(async (worker) => await worker.channel(version, question)),
    staleTime: Number.POSITIVE_INFINITY,
    // A changed channel takes its time: meanwhile the list stands as it was. That of another opening says nothing of this one.
    placeholderData: (before: ChannelTold | undefined, asked?: { readonly queryKey: readonly unknown[] }) =>
      (asked?.queryKey[2] as ChannelQuestion | undefined)?.openingId === question.openingId ? before : undefined,
    structuralSharing: false,
    networkMode: 'always',
  });
}

export function channelChecksQuery(version: string, question: ChannelQuestion, speakerId: string) {
  return queryOptions({
    queryKey: ['channelChecks', version, question, speakerId],
    queryFn: () => askCatalogue((worker) => worker.channelChecks(version, question, speakerId)),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
  });
}

/** With the parts of the best: the worker does one thing after the other, and they would wait until all is in order. */
async function prefetchLook(client: QueryClient, version: string, opening: FitOpening, rules: FitRules): Promise<void> {
  // What went wrong here goes wrong with the ranking too, and is said there.
  const look = await client.fetchQuery(lookQuery(version, opening, rules)).catch(() => null);
  const [best] = look?.best ?? [];
  if (best) await client.prefetchQuery(namedPartsQuery(version, bestOf(best), null));
}

/** What to do about one candidate; it is worked out again for every candidate, opening and setting. */
export function adviceQuery(
  version: string,
  opening: FitOpening,
  rules: FitRules,
  candidate: Candidate,
  options: AdviceOptions,
) {
  const { speaker, layers } = candidate;
  const stack = [speaker.id, layers.map(({ id, height }) => [id, height.valueMm])];
  return queryOptions({
    queryKey: ['advice', version, opening, rules, options, stack],
    queryFn: () => askCatalogue((worker) => worker.advise(version, opening, rules, candidate, options)),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** A ring that is cut from sheet is no part. */
function isPart(id: string): boolean {
  return ringThicknessMm(id) === null;
}

export type NamedParts = {
  readonly ids: CandidateIds;
  /** Laid over the shown candidate. */
  readonly over: Omit<CandidateIds, 'works'> | null;
  readonly parts: readonly PartRecord[];
};

/** The parts of the candidates that are shown, whole; the last ones stay until the next are there. */
export function namedPartsQuery(version: string, ids: CandidateIds | null, over: NamedParts['over']) {
  return queryOptions({
    queryKey: ['parts', version, ids, over],
    queryFn: async (): Promise<NamedParts> => {
      if (!ids) throw new Error('namedPartsQuery: expected a candidate, got none');
      const named = [ids.speakerId, ...ids.layerIds, ...(over ? [over.speakerId, ...over.layerIds] : [])];
      return { ids, over, parts: await readParts(version, [...new Set(named.filter(isPart).map(orderedId))]) };
    },
    enabled: ids !== null,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  });
}
