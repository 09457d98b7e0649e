/**
 * What a shop should do about the candidate it looks at: how likely it is to fit as a whole, what to measure next for the
 * opening and for it, what ordering now would cost against measuring, and which small change would make it clear. Plain
 * data, so that a worker can hand it to a screen.
 */

import type { HarnessAdapter } from '../../wiring';
import type { CheckId } from '../Check';
import { judgeWithHarness } from '../judgeCandidate';
import type { FitEngine } from '../search/FitEngine';
import { stackIds } from '../search/Ranking';
import type { Candidate, FitOpening } from '../shapes';
import type { Work } from '../work/Work';
import { type NearMiss, nearMisses } from './nearMisses';
import { candidateMeasurements, type NextMeasurement, nextMeasurements, type RimPlace } from './nextMeasurement';
import { type OrderCosts, type OrderNowOrMeasure, orderNowOrMeasure, READING_MINUTES } from './orderNowOrMeasure';

export type Question = {
  readonly key: string;
  readonly instrument: string;
  readonly settled: number;
  readonly open: number;
};

export type Change = {
  readonly kind: NearMiss['kind'];
  readonly speakerId: string;
  /** Of the changed stack, from the metal to the speaker. */
  readonly layerIds: readonly string[];
  /** With `byHand`: what has to be done, in this order. */
  readonly works: readonly Work[];
  /** By what it clears then. */
  readonly decidedBy: CheckId;
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
};

export type Advice = {
  /** That the candidate fits as a whole; null where nobody can say. */
  readonly chance: number | null;
  /** For the opening: what settles most of the open candidates. */
  readonly forOpening: Question | null;
  /** For this candidate, where it is open. */
  readonly forCandidate: Question | null;
  readonly costs: OrderNowOrMeasure | null;
  readonly changes: readonly Change[];
};

export type AdviceOptions = {
  readonly halfWidthsMm: Readonly<Record<'calliper' | 'depthStick' | 'tapeMm', number>>;
  readonly places: readonly RimPlace[];
  readonly returnCostMinor: number;
  readonly minuteCostMinor: number;
};

/** So many open candidates are asked, best first; a shop does not order from farther down. */
const MOST_OPEN = 200;
/** So many smaller speakers are looked at for one that clears. */
const MOST_SMALLER = 3;

/**
 * @param engine that has ranked this very opening
 * @param harness of the candidate's terminals
 */
export function advise(
  engine: FitEngine,
  opening: FitOpening,
  candidate: Candidate,
  harness: readonly HarnessAdapter[] | null,
  { halfWidthsMm, places, ...costs }: AdviceOptions,
): Advice {
  const { rules, index } = engine;
  const judgement = judgeWithHarness(opening, candidate, harness, rules, 'mm');
  const { chance } = judgement;
  const options = { halfWidthsMm, places, confidence: rules.confidence };
  const open = engine.order.filter((at) => engine.verdict[at] === OPEN).slice(0, MOST_OPEN);
  const [forOpening] = nextMeasurements(
    opening,
    Array.from(open, (at) => engine.judgementOf(at)),
    options,
  );
  const [forCandidate] = candidateMeasurements(opening, judgement, options);
  const price: OrderCosts = { ...costs, minutes: READING_MINUTES };
  return {
    chance,
    forOpening: forOpening ? toQuestion(forOpening) : null,
    forCandidate: forCandidate ? toQuestion(forCandidate) : null,
    costs:
      chance !== null && forCandidate
        ? orderNowOrMeasure(judgement, chance, forCandidate.action, rules.confidence, price)
        : null,
    changes: nearMisses(opening, candidate, index.catalogue, harness, rules, smallerThan(engine, candidate)).map(
      toChange,
    ),
  };
}

/** "Measure first" as the engine's columns have it. */
const OPEN = 1;

function toQuestion({ action, settled, open }: NextMeasurement): Question {
  return { key: action.key, instrument: action.instrument, settled, open };
}

/** The best clearing speakers whose cutout is smaller. */
function smallerThan(engine: FitEngine, { speaker }: Candidate): readonly Candidate[] {
  const widthOf = ({ basket }: Candidate['speaker']) =>
    basket.kind === 'circle' ? basket.diameter.valueMm : basket.width.valueMm;
  const found: Candidate[] = [];
  for (const at of engine.order) {
    if (engine.verdict[at] !== 0 || found.length >= MOST_SMALLER) break;
    const each = engine.candidateOf(at);
    if (widthOf(each.speaker) < widthOf(speaker) - 1 && each.speaker.nominalSize !== speaker.nominalSize)
      found.push(each);
  }
  return found;
}

function toChange({ kind, candidate, works, judgement }: NearMiss): Change {
  const { speaker, layers } = candidate;
  const { decidedBy } = judgement;
  const margin = judgement.checks.find(({ id }) => id === decidedBy)?.margin;
  return {
    kind,
    speakerId: speaker.id,
    layerIds: layers.map(({ id }) => id),
    works,
    decidedBy,
    marginMm: margin?.valueMm ?? null,
    expandedMm: margin?.expandedMm ?? null,
  };
}

/** Names a change, so that a list of them has keys. */
export function changeKey({ kind, speakerId, layerIds, works }: Change): string {
  return [kind, speakerId, stackIds(layerIds), ...works.map((work) => work.kind)].join('/');
}
