/** Openings whose true shapes are known, what a fitter would write down about them, and parts for them. */
import type { Judgement } from '../../fit/Judgement';
import { judgeCandidate, lookAt } from '../../fit/judgeCandidate';
import { type Placement, turnBetween } from '../../fit/mates/placements';
import { Judge } from '../../fit/search/Judge';
import type { Candidate, FitOpening, FitRules } from '../../fit/shapes';
import { seededRandom } from '../../math/seededRandom';
import type { OpeningRecord } from '../../model/opening';
import { type Family, WAYS } from './families';
import { drawOpening, realOpening } from './TrueOpening';
import { type SimulatedSpeaker, simulateSpeaker } from './trueParts';
import { CONNECTOR, type Measure, writeDown, writtenOpening } from './written';

export type SimulatedCar = {
  readonly family: Family;
  /** What was written down. */
  readonly record: OpeningRecord;
  /** The opening as it is, every length exact. */
  readonly real: FitOpening;
  readonly speakers: readonly SimulatedSpeaker[];
  readonly measure: Measure;
};

const SPEAKERS_A_CAR = 8;

export function simulateCar(seed: number, family: Family): SimulatedCar {
  const random = seededRandom(seed);
  const ways = WAYS[family];
  const truth = drawOpening(ways, (low, high) => low + (high - low) * random());
  const { record, measure } = writeDown(truth, ways, random);
  return {
    family,
    record,
    real: realOpening(truth, ways, writtenOpening(record)),
    speakers: Array.from({ length: SPEAKERS_A_CAR }, (_, at) => simulateSpeaker(at, ways, random)),
    measure,
  };
}

const LEAD = {
  id: 'lead',
  name: 'Lead',
  fromConnectorId: CONNECTOR,
  plugMm: 0,
  to: { kind: 'terminals', terminals: 'bare ends' },
  pieceCostMinor: 100,
} as const;

/**
 * The truth about what was said: the parts as they are, screwed together as the engine said they would be, as nearly as the
 * true screws let them.
 */
export function judgeAsMounted(opening: FitOpening, real: Candidate, said: Judgement, rules: FitRules): Judgement {
  const judge = new Judge(rules);
  const placements = lookAt(judge, opening, real, [LEAD]);
  judge.view.setPlacement(placements.reduce((a, b) => (awayFrom(b, said) < awayFrom(a, said) ? b : a)));
  judge.ask();
  return judge.tell('mm');
}

/** How far the middle of the speaker lies off, mm, and of two that lie alike how far it is turned. */
function awayFrom({ at }: Placement, { mount }: Judgement): number {
  const { at: there } = mount.placement;
  const TURN_MM = 0.01;
  return Math.hypot(at.xMm - there.xMm, at.yMm - there.yMm) + TURN_MM * turnBetween(at.angleRad, there.angleRad);
}

export function judgeSimulated(opening: FitOpening, candidate: Candidate, rules: FitRules): Judgement {
  return judgeCandidate(opening, candidate, [LEAD], rules);
}
