/** A piece of work as it is shown. */
import { isOpenWork, WORK, type Work } from '@low-quarry/core/contracts/work';
import { whenWords } from '../../text/whenWords';

export type WorkView = {
  readonly title: string;
  /** Who asked, and when. */
  readonly asked: string;
  /** How it stands, as a sentence. */
  readonly state: string;
  readonly tone: 'plain' | 'good' | 'bad';
  /** 0 to 100, while it runs; null where nobody can tell. */
  readonly percent: number | null;
  readonly mayStop: boolean;
  readonly mayAskAgain: boolean;
};

export function workView(work: Work, now: Date): WorkView {
  const { kind, askedBy, askedAt, state, share } = work;
  return {
    title: WORK[kind],
    asked: `by ${askedBy ?? 'the server itself'}, ${whenWords(askedAt, now)}`,
    state: stateWords(work, now),
    tone: toneOf(work),
    // Rounded down: what reads as all of it is all of it.
    percent: state === 'running' && share !== null ? Math.floor(share * 100) : null,
    mayStop: isOpenWork(work) && !work.isStopping,
    mayAskAgain: state === 'failed' || state === 'stopped',
  };
}

function toneOf({ state, fault }: Work): WorkView['tone'] {
  if (state === 'done') return 'good';
  return state !== 'stopped' && fault !== null ? 'bad' : 'plain';
}

function stateWords({ state, isStopping, step, tries, nextTryAt, endedAt, fault, result }: Work, now: Date): string {
  const ended = endedAt === null ? '' : ` ${whenWords(endedAt, now)}`;
  switch (state) {
    case 'waiting': {
      if (tries === 0) return 'Waits for its turn.';
      const next = nextTryAt === null ? 'soon' : whenWords(nextTryAt, now);
      return `Try ${tries} failed: ${sentence(fault)} It is tried again ${next}.`;
    }
    case 'running': {
      if (isStopping) return 'Ends at its next step, as somebody asked.';
      const doing = step === '' ? 'Runs.' : `Runs: ${step}.`;
      return tries > 1 ? `${doing} This is try ${tries}; the one before failed: ${sentence(fault)}` : doing;
    }
    case 'done':
      return `Done${ended}. ${result ?? ''}`.trim();
    case 'failed':
      return `Failed${ended} after ${tries} ${tries === 1 ? 'try' : 'tries'}: ${sentence(fault)}`;
    case 'stopped':
      return `Stopped${ended}.`;
  }
}

/** A fault is told in words of whoever raised it: with a full stop or without. */
function sentence(fault: string | null): string {
  if (fault === null) return 'nobody knows why.';
  return /[.!?]$/.test(fault) ? fault : `${fault}.`;
}
