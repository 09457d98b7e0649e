/** What was found of an old speaker comes to this: what its coil is, what the cause is, and in words. */
import {
  CAUSE_WORDS,
  type CoilJudgement,
  causesLeft,
  coilWords,
  type FaultCause,
  type FaultTrial,
  isCoilDead,
  judgeCoil,
} from '../sound';
import { DAMAGE_LABELS, isHeardWrong, type OldSpeaker, PLAYS_LABELS } from './oldSpeaker';

export function coilOf(old: OldSpeaker): CoilJudgement {
  return judgeCoil(old);
}

/** What was tried, with what the meter says of the coil as one of the trials. */
export function trialsOf(old: OldSpeaker): readonly FaultTrial[] {
  const { kind } = coilOf(old);
  const isSettled = kind === 'open' || kind === 'shorted' || kind === 'plausible';
  if (!isSettled || old.trials.some(({ test }) => test === 'meter')) return old.trials;
  return [...old.trials, { test: 'meter', isShown: kind !== 'plausible' }];
}

/** The one cause that is left; null where several may be it, or the trials contradict each other. */
export function foundCause(old: OldSpeaker): FaultCause | null {
  if (isCoilDead(coilOf(old)) || old.damage.length > 0) return 'speaker';
  const [cause = null, more] = causesLeft(trialsOf(old));
  return more === undefined ? cause : null;
}

/** "Silent. Open: the coil lets nothing through. Cone or surround torn." */
export function oldSpeakerWords(old: OldSpeaker | null): string {
  if (old === null) return 'not tested';
  const damage = old.damage.map((each) => DAMAGE_LABELS[each]).join(', ');
  const entered = old.entered === '' ? '' : ` (${old.entered})`;
  const cause = isHeardWrong(old) ? foundCause(old) : null;
  return [
    `${PLAYS_LABELS[old.plays]}.`,
    `${coilWords(coilOf(old))}${entered}`,
    ...(damage ? [`${damage}.`] : []),
    ...(cause ? [`It is ${CAUSE_WORDS[cause]}.`] : []),
  ].join(' ');
}
