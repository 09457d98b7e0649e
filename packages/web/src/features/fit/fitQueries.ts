/** Queries and changes of the fit screen. */
import type { AdviceOptions } from '@low-quarry/core/fit/advice/advice';
import type { Candidate, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { adviseInWorker, lookInWorker, rankInWorker } from '../../workers/rankClient';

/** The key holds everything that the ranking depends on, so a changed measurement asks for a new one. */
export function rankingQuery(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules) {
  return queryOptions({
    queryKey: ['ranking', opening, rules, catalogue.speakers.length],
    queryFn: () => rankInWorker(opening, catalogue, rules),
    staleTime: Number.POSITIVE_INFINITY,
    // While a what-if is being dragged the list shows the last answer, not an empty screen.
    placeholderData: keepPreviousData,
  });
}

/** Up to so many speakers a whole ranking takes no longer than a frame. */
const FRAME_SPEAKERS = 2_000;
/** A hand that has not moved for so long rests, ms. */
export const REST_MS = 200;
/** So many candidates come with a first look. */
const LOOKED_AT = 60;
/** Looks of openings that were passed by are forgotten soon, ms. */
const LOOK_KEPT_MS = 5_000;

export function needsLook(catalogue: FitCatalogue): boolean {
  return catalogue.speakers.length > FRAME_SPEAKERS;
}

/** Every verdict at once, for a catalogue that is too large to be put in order while a hand moves. */
export function lookQuery(opening: FitOpening, catalogue: FitCatalogue, rules: FitRules) {
  return queryOptions({
    queryKey: ['look', opening, rules, catalogue.speakers.length],
    queryFn: () => lookInWorker(opening, catalogue, rules, LOOKED_AT),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: LOOK_KEPT_MS,
    placeholderData: keepPreviousData,
  });
}

/** What to do about one candidate; it is worked out again for every candidate, opening and setting. */
export function adviceQuery(
  opening: FitOpening,
  catalogue: FitCatalogue,
  rules: FitRules,
  candidate: Candidate,
  options: AdviceOptions,
) {
  const { speaker, layers } = candidate;
  const stack = [speaker.id, layers.map(({ id, height }) => [id, height.valueMm])];
  return queryOptions({
    queryKey: ['advice', opening, rules, options, stack, catalogue.speakers.length],
    queryFn: () => adviseInWorker(opening, catalogue, rules, candidate, options),
    staleTime: Number.POSITIVE_INFINITY,
  });
}
