/**
 * Everything that a fit screen shows of its candidate, each figure worked out again only when something that it follows from has
 * changed: a row of the ledger that is hovered changes none of it.
 */

import type {
  Candidate,
  FitCatalogue,
  FitOpening,
  FitRules,
  FitSpacer,
  Judgement,
  Nearest,
  Work,
} from '@low-quarry/core/fit';
import {
  findLayer,
  groundRing,
  type HeightRange,
  heightRange,
  isSameHeight,
  judgeCandidate,
  spacerAt,
  suitableSpacers,
  withGroundRing,
} from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';
import { useDeferredValue, useMemo } from 'react';
import { planeThrough } from '../../drawing/cutPlane';
import { UPRIGHT } from '../../drawing/sectionGeometry';
import { type Shown, shownThere, shownWith } from './shownWorks';
import type { CandidateIds } from './startingIds';

type Question = {
  readonly opening: FitOpening;
  /** The other side of the car, where it has one. */
  readonly otherOpening: FitOpening | null;
  /** With the parts that are named, and everything that goes with any speaker. */
  readonly catalogue: FitCatalogue;
  readonly rules: FitRules;
  readonly unit: LengthUnit;
  readonly start: CandidateIds;
  readonly over: Omit<CandidateIds, 'works'> | null;
  /** Where the slider stands; null where the candidate's own ring is. */
  readonly slidMm: number | null;
};

export type ShownCandidate = {
  readonly candidate: Candidate;
  readonly shown: Shown;
  readonly judgement: Judgement;
  /** Through the nearest points of the check that decides. */
  readonly tightPlane: { readonly angleRad: number };
  readonly nearest: Nearest | null;
  readonly heightMm: number;
  readonly spacer: FitSpacer | null;
  /** Rings that suit, one a height. */
  readonly stocked: readonly FitSpacer[];
  /** Between which heights everything clears. */
  readonly range: HeightRange | null;
  readonly over: { readonly candidate: Candidate; readonly judgement: Judgement } | null;
  readonly there: { readonly works: readonly Work[]; readonly judgement: Judgement } | null;
};

export function useShown(question: Question): ShownCandidate {
  const { opening, otherOpening, catalogue, rules, unit, start, slidMm } = question;
  const { adapters } = catalogue;
  // The drawing and its verdict first: what stands beside them comes in the next breath.
  const isDrawn = useDeferredValue(true, false);
  const base = useMemo(() => requireCandidate(catalogue, rules, start), [catalogue, rules, start]);
  const stocked = useMemo(
    () => (isDrawn ? suitableSpacers(opening, base, catalogue, rules) : []),
    [isDrawn, opening, base, catalogue, rules],
  );
  const ground = groundRing(base);
  const heightMm = slidMm ?? ground?.height.valueMm ?? 0;
  const { candidate, spacer } = useMemo(() => {
    const isOwn = ground !== null && isSameHeight(ground, heightMm);
    const ring = isOwn ? ground : spacerAt(heightMm, stocked);
    return { candidate: withGroundRing(base, ring), spacer: ring };
  }, [base, ground, heightMm, stocked]);
  const shown = useMemo(
    () => shownWith(opening, candidate, start.works, rules),
    [opening, candidate, start.works, rules],
  );
  const judgement = useMemo(
    () => judgeCandidate(shown.opening, shown.candidate, adapters, rules, unit),
    [shown, adapters, rules, unit],
  );
  const { nearest, tightPlane } = useMemo(() => tightestOf(judgement), [judgement]);
  const range = useMemo(
    () => (isDrawn ? heightRange(shown.opening, shown.candidate, rules) : null),
    [isDrawn, shown, rules],
  );
  const over = useMemo(() => {
    if (!question.over) return null;
    const other = findCandidate(catalogue, rules, question.over);
    if (!other) return null;
    return { candidate: other, judgement: judgeCandidate(opening, other, adapters, rules, unit) };
  }, [question.over, catalogue, rules, opening, adapters, unit]);
  const there = useMemo(() => {
    if (!otherOpening || !isDrawn) return null;
    const worked = shownThere(otherOpening, candidate, start.works, adapters, rules);
    const judged = judgeCandidate(worked.opening, worked.candidate, adapters, rules, unit);
    return { works: worked.works, judgement: judged };
  }, [isDrawn, otherOpening, candidate, start.works, adapters, rules, unit]);
  return { candidate, shown, judgement, tightPlane, nearest, heightMm, spacer, stocked, range, over, there };
}

function tightestOf({ checks, decidedBy }: Judgement) {
  const deciding = checks.find(({ id }) => id === decidedBy);
  const nearest = deciding?.nearest ?? checks.find(({ id }) => id === 'depth')?.nearest ?? null;
  const tightPlane = nearest ? (planeThrough(nearest.onPart) ?? UPRIGHT) : UPRIGHT;
  return { nearest, tightPlane };
}

function findCandidate(
  catalogue: FitCatalogue,
  rules: FitRules,
  { speakerId, layerIds }: Omit<CandidateIds, 'works'>,
): Candidate | null {
  const speaker = catalogue.speakers.find(({ id }) => id === speakerId);
  return speaker ? { speaker, layers: layerIds.flatMap((id) => findLayer(catalogue, rules, id) ?? []) } : null;
}

function requireCandidate(catalogue: FitCatalogue, rules: FitRules, ids: CandidateIds): Candidate {
  const candidate = findCandidate(catalogue, rules, ids);
  if (!candidate) throw new Error(`useShown: expected a speaker that was read, got ${ids.speakerId}`);
  return candidate;
}
