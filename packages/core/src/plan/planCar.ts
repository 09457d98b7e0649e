/** The record of a job as its plan follows from it. */
import { STATE_MARK } from '../catalogue';
import type { OpeningState } from '../contracts/jobs';
import { ringThicknessMm } from '../fit';
import {
  besidesAt,
  type CarFact,
  crossoverWords,
  type JobFacts,
  knownFact,
  type Panel,
  stowedWords,
  type VehicleRecord,
} from '../model';
import type { JointLine, WireRun } from '../stations';
import type { PlanCar } from './carPlan';
import type { PlanOpening } from './openingSteps';

export type PlannedOpening = Pick<PlanOpening, 'id' | 'record'> & {
  readonly state: OpeningState;
  readonly choice: { readonly layerIds: readonly string[] } | null;
};

export type PlanWires = { readonly joints: readonly JointLine[]; readonly runs: readonly WireRun[] };

/**
 * What the plan of a job follows from.
 *
 * @param openings those that are worked on
 */
export function planCar(
  { lostWithoutSupply, stowed, crossovers, amplifierPlan, found, quieted, vehicle }: PlannedJob,
  openings: readonly PlannedOpening[],
  panels: readonly Panel[],
  { joints, runs }: PlanWires,
): PlanCar {
  const now = stowed.filter(({ isLater }) => !isLater);
  return {
    ...{ panels, joints, runs, lostWithoutSupply, quieted },
    openings: openings.flatMap(({ id, record, state, choice }): PlanOpening[] =>
      state.kind === 'chosen'
        ? [
            {
              ...{ id, record, speakerName: state.speakerName, works: state.works },
              isTweeter: state.plays?.speakerKind === 'tweeter',
              ringsMm: (choice?.layerIds ?? []).flatMap((layer) => ringThicknessMm(layer) ?? []),
              hasTabs: choice?.layerIds.some((layer) => layer.includes(STATE_MARK)) ?? false,
            },
          ]
        : [],
    ),
    crossovers: crossovers.map(({ name }) => name),
    boxes: [
      ...crossovers.map((each) => ({ what: `Crossover ${each.name}`, words: crossoverWords(each) })),
      ...now.map((each) => ({ what: each.name, words: stowedWords(each) })),
    ],
    atRadio: amplifierPlan?.kind !== 'bypass' ? null : amplifierPlan.by === 'newRadio' ? 'newRadio' : 'leads',
    hasWarnings: warningsOf(openings, knownFact('alsoSounds', found, vehicle.facts)),
    hasPowerWire:
      now.some(({ kind }) => kind === 'amplifier') ||
      (amplifierPlan?.kind === 'bypass' && amplifierPlan.by === 'addedAmplifier'),
  };
}

export type PlannedJob = Pick<
  JobFacts,
  'lostWithoutSupply' | 'stowed' | 'crossovers' | 'amplifierPlan' | 'found' | 'quieted'
> & {
  readonly vehicle: Pick<VehicleRecord, 'facts'>;
};

/** Null where nobody asked, and nobody saw what a second plug carries. */
function warningsOf(openings: readonly PlannedOpening[], fact: CarFact | undefined): boolean | null {
  const isAtPlug = openings.some(({ record }) =>
    besidesAt(record).some(({ what }) => what === 'warning' || what === 'unexplained'),
  );
  if (isAtPlug || fact?.answer === 'warnings' || fact?.answer === 'both') return true;
  return fact === undefined ? null : false;
}
