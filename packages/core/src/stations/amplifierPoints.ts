/** What has to be decided, or tried, of the maker's separate amplifier before anything that hangs on it is ordered. */
import { CAR_FACTS, knownFact, type VehicleRecord } from '../model';
import type { OpenPoint, PointJob } from './point';

/** What of a job its amplifier is judged by. */
export type AmplifierJob = Pick<PointJob, 'found' | 'amplifierPlan'> & {
  readonly vehicle: Pick<VehicleRecord, 'channels' | 'facts'>;
};

/** @param hasNewOnIt whether something new goes onto one of the channels that it feeds in the car as it came; where nothing does, nobody is asked to decide */
export function amplifierPoints(job: AmplifierJob, hasNewOnIt: boolean): readonly OpenPoint[] {
  const { amplifierPlan: plan } = job;
  if (plan === null) return hasNewOnIt ? [UNDECIDED] : [];
  const hold = bypassHold(job);
  if (hold === null) return [];
  const isTried = plan.kind === 'bypass' && plan.sounds === 'gone';
  return [
    {
      ...AT_WIRES,
      id: 'amplifier sounds',
      askedAt: isTried ? null : 'doorOpen',
      words: hold,
      stake: CAR_FACTS.alsoSounds.stake,
      isHeld: true,
    },
  ];
}

const AT_WIRES = { station: 'wire', settledAt: { kind: 'wires' } } as const;

const UNDECIDED: OpenPoint = {
  ...AT_WIRES,
  id: 'amplifier plan',
  askedAt: null,
  words: 'The maker’s amplifier: decide whether it stays or is bypassed. What hangs on it is judged as if it stays.',
  stake:
    'Bypassed, each of its channels is wired anew and what it filtered is gone; kept, what is new has to suit its load and its bands.',
  isHeld: false,
};

/** Why nothing may be ordered for what is fed past the maker's amplifier; null where nothing of the car sounds through it, or all was heard without. */
export function bypassHold({ found, vehicle: { facts }, amplifierPlan: plan }: AmplifierJob): string | null {
  if (plan?.kind !== 'bypass' || plan.sounds === 'heard') return null;
  if (plan.sounds === 'gone')
    return 'Something that warns or speaks is gone with the maker’s amplifier: keep it, or keep what it needs to go on sounding.';
  const also = knownFact('alsoSounds', found, facts)?.answer;
  if (also === 'nothing') return null;
  const what = also === undefined ? 'Nobody knows what else sounds' : 'Warnings or voices sound';
  return `${what} through the maker’s amplifier: unplug it, and hear every warning and voice before it is bypassed.`;
}
