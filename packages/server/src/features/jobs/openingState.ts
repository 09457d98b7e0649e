/** What a list says of an opening: its choice's present verdict, or what is in the way of choosing or judging. */

import { partName } from '@low-quarry/core/catalogue';
import type { OpeningState } from '@low-quarry/core/contracts/jobs';
import { openingHolds, placeWords } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import {
  isOpeningThere,
  isTakenHere,
  missingDimensions,
  openingFacts,
  takesSpeaker,
  wantedDimensions,
} from '@low-quarry/core/model';
import { heldBackBecause, neededConsents, openChecks } from '@low-quarry/core/order';
import { changedSince } from '@low-quarry/core/records';
import { playsOf } from '@low-quarry/core/stations';
import type { StoredChoice } from '../choices/ChoicesStore';
import { type Fitting, summarise } from '../fit/Fitting';
import type { StoredOpening } from '../openings/OpeningsStore';

export function openingState(
  { record, unreadable }: StoredOpening,
  stored: StoredChoice | undefined,
  fitting: Fitting,
): OpeningState {
  if (unreadable !== null) return { kind: 'unreadable', sentence: unreadableSentence(unreadable) };
  return stored ? choiceState(record, stored, fitting) : openState(record);
}

function unreadableSentence(why: string): string {
  return `What is kept of this opening cannot be read (${why}). Its history can bring an earlier state back.`;
}

/** One choice that cannot be judged is a state of its own line: the other lines, and the list, are as they were. */
function choiceState(record: OpeningRecord, stored: StoredChoice, fitting: Fitting): OpeningState {
  const parts = fitting.namesOf(stored.choice).join(' + ');
  const broken = fitting.brokenBecause(stored.choice);
  if (broken !== null) return { kind: 'cannotJudge', parts, sentence: broken };
  if (stored.isWorkUnreadable)
    return { kind: 'cannotJudge', parts, sentence: 'What is kept of its work by hand cannot be read: choose again.' };
  try {
    const undoable = fitting.undoableBecause(record, stored.choice);
    if (undoable !== null) return { kind: 'cannotJudge', parts, sentence: `${undoable} Choose again.` };
    return judgedState(record, stored, fitting);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { kind: 'cannotJudge', parts, sentence: `This choice cannot be judged: ${why}.` };
  }
}

function judgedState(record: OpeningRecord, stored: StoredChoice, fitting: Fitting): OpeningState {
  const candidate = fitting.findCandidate(stored.choice);
  const speaker = fitting.parts.get(stored.choice.speakerId);
  if (typeof candidate === 'string' || !speaker)
    throw new Error(`judgedState: expected parts of the catalogue, got ${String(candidate)}`);
  const judgement = fitting.judge(record, candidate, stored.choice.works);
  const open = openChecks(judgement, stored.choice.answers, openingFacts(record));
  return {
    kind: 'chosen',
    speakerName: partName(speaker),
    works: stored.choice.works,
    needsConsent: neededConsents(stored.choice).map((kinds) => [...kinds]),
    plays:
      speaker.kind === 'speaker'
        ? playsOf(
            speaker,
            judgement.harness.map(({ id }) => fitting.parts.get(id)),
          )
        : null,
    summary: summarise(judgement, open),
    open: [...open],
    heldBack: heldBackBecause(open, stored.verdictWhenChosen),
    verdictThen: stored.verdictWhenChosen,
    sentenceThen: stored.snapshot?.sentence ?? null,
    changedSince: stored.snapshot
      ? [...changedSince(stored.snapshot, fitting.snapshotInputs(record, stored.choice))]
      : [],
  };
}

/** Nothing is chosen. */
function openState(record: OpeningRecord): OpeningState {
  if (!takesSpeaker(record))
    return { kind: 'noOpening', sentence: placeWords({ isThere: isOpeningThere(record), assumed: [], made: null }) };
  const holds = openingHolds(openingFacts(record));
  if (holds.length > 0) return { kind: 'hold', sentence: holds.map(({ sentence }) => sentence).join(' ') };
  const missing = missingDimensions(record);
  if (missing.length > 0) return { kind: 'toMeasure', missing: [...missing] };
  const wanted = wantedDimensions(record);
  return {
    kind: 'nothingChosen',
    known: wanted.length,
    takenHere: wanted.filter((key) => isTakenHere(record.dimensions[key])).length,
  };
}
