/** What is asked while the customer is on the telephone, and at the car with its doors closed. */
import {
  ASKED_OF_LABELS,
  coilOf,
  expectationsFor,
  faultHold,
  foundCause,
  isHeardWrong,
  type JobFacts,
  needsLeave,
  needsSupplyOff,
  type OldSpeaker,
  placeLabel,
  trialsOf,
} from '../model';
import { lowerFirst } from '../order';
import { faultTestLabel, isCoilUnknown, nextFaultTest } from '../sound';
import type { OpenPoint, PointJob, PointOpening, SettledAt } from './point';

type Asked = Pick<OpenPoint, 'id' | 'words' | 'stake' | 'settledAt'> & { readonly isHeld?: boolean };

export function telephonePoints(
  job: PointJob,
  openings: readonly PointOpening[],
  dayWords: (day: string) => string,
): readonly OpenPoint[] {
  const { vehicle, ownership, goals, wants } = job;
  const unsaid = expectationsFor(job).filter((each) => !job.expectations.includes(each));
  const at = (field: keyof JobFacts): SettledAt => ({ kind: 'bookIn', field });
  const asked: (Asked | false)[] = [
    vehicle.trim === '' && {
      id: 'trim',
      words: 'Which trim is it?',
      stake: 'The trim decides whether the doors have wires, and which openings there are.',
      settledAt: { kind: 'vehicle' },
    },
    vehicle.audioPackage === '' && {
      id: 'audioPackage',
      words: 'Which audio package does it have?',
      stake: 'It decides which openings have speakers and wires, and of which size.',
      settledAt: { kind: 'vehicle' },
    },
    ownership.owner === 'notAsked' && {
      id: 'owner',
      words: 'Whose car is it?',
      stake: 'A company or a lessor has to agree before anything is changed.',
      settledAt: at('ownership'),
    },
    ...leavePoints(job, at('ownership')),
    ...putBackPoints(job, at('ownership')),
    ...questionPoints(job, at('questions'), dayWords),
    ...disputePoints(vehicle.disputes),
    goals === null &&
      wants === '' && {
        id: 'goals',
        words: 'What is wanted of it?',
        stake: 'Repair, clearer, louder or more bass are other parts.',
        settledAt: at('goals'),
      },
    job.keeps === null && {
      id: 'keeps',
      words: 'What must stay as it is?',
      stake: 'What is cut or changed against the wish cannot be put back.',
      settledAt: at('keeps'),
    },
    unsaid.length > 0 && {
      id: 'expectations',
      words: `Say what is usually expected wrongly: ${unsaid.length === 1 ? 'one thing' : `${unsaid.length} things`}.`,
      stake: 'What was not said before the work is a complaint after it.',
      settledAt: at('expectations'),
    },
    job.budgetMinor === null && {
      id: 'budget',
      words: 'What may it cost, with brackets, leads and small parts?',
      stake: 'The speakers alone are often half of it.',
      settledAt: at('budgetMinor'),
    },
    job.later === null && {
      id: 'later',
      words: 'What is planned for later?',
      stake: 'A later radio or amplifier must not make today’s parts wrong.',
      settledAt: at('later'),
    },
    job.doneBefore === null && {
      id: 'doneBefore',
      words: 'Was anything done to it before?',
      stake: 'Foreign rivets, cut plugs and missing clips are found with the panel off, when nothing of it is here.',
      settledAt: at('doneBefore'),
    },
    job.lostWithoutSupply === null &&
      openings.some(({ record }) => needsSupplyOff(record.place)) && {
        id: 'lostWithoutSupply',
        words: 'What is lost when the battery is off: codes, settings, what the windows have learnt?',
        stake: 'A radio that asks for its code stands still until the owner is reached.',
        settledAt: at('lostWithoutSupply'),
      },
    job.contact === '' && {
      id: 'contact',
      words: 'How can the customer be reached?',
      stake: 'A question during the work waits for them.',
      settledAt: at('contact'),
    },
    job.dueOn === null && {
      id: 'dueOn',
      words: 'When is it to be ready?',
      stake: 'Parts that come later are the wrong parts.',
      settledAt: at('dueOn'),
    },
  ];
  return asked
    .filter((point) => point !== false)
    .map((point) => ({ isHeld: false, ...point, station: 'bookIn', askedAt: 'telephone' }));
}

function leavePoints({ ownership }: PointJob, settledAt: SettledAt): readonly Asked[] {
  if (!needsLeave(ownership) || ownership.leave === 'given') return [];
  const stake = 'Nothing may be changed on it without: what is done has to be put back at the shop’s cost.';
  const words = {
    notAsked: 'Ask for the leave of the car’s owner.',
    asked: 'The car’s owner was asked and has not answered.',
    refused: 'The car’s owner refused: only what can be put back may be done, or nothing.',
  }[ownership.leave];
  return [{ id: 'leave', words, stake, settledAt, isHeld: true }];
}

/** What goes back to its owner is put back one day: parts that were thrown away cannot be. */
function putBackPoints({ ownership }: PointJob, settledAt: SettledAt): readonly Asked[] {
  if (!needsLeave(ownership) || ownership.leave === 'refused' || ownership.putBack !== null) return [];
  const words = 'What has to be in it again when it goes back to its owner?';
  return [{ id: 'putBack', words, stake: 'Original parts that were thrown away are bought new.', settledAt }];
}

/** What was asked outside is open until an answer came. */
function questionPoints(
  { questions }: PointJob,
  settledAt: SettledAt,
  dayWords: (day: string) => string,
): readonly Asked[] {
  return questions.flatMap(({ of, question, answer, askedOn }, at) => {
    if (answer !== '') return [];
    const asked = askedOn === null ? 'not asked yet' : `asked on ${dayWords(askedOn)}, no answer yet`;
    const words = `${ASKED_OF_LABELS[of]}, ${asked}: ${question}`;
    return [{ id: `question ${at}`, words, stake: 'What depends on it is guessed until then.', settledAt }];
  });
}

/** Two who saw it differently are both right until somebody looks: what depends on it is doubtful meanwhile. */
function disputePoints(disputes: PointJob['vehicle']['disputes']): readonly Asked[] {
  return disputes.map(({ label, says, by }, at) => ({
    id: `dispute ${at}`,
    words: `${label}: ${by} says “${says}”, and the library says otherwise.`,
    stake: 'Look at this car which of them is right; what depends on it is doubtful until then.',
    settledAt: { kind: 'vehicle' },
  }));
}

/** At the car, with its doors closed. */
export function counterPoints({ goals }: PointJob, openings: readonly PointOpening[]): readonly OpenPoint[] {
  return openings.flatMap(({ id, record }) => {
    const asked = counterQuestion(record, goals?.repair !== undefined);
    if (!asked) return [];
    const settledAt = { kind: 'measure', openingId: id } as const;
    return [{ ...asked, id: `old ${id}`, station: 'bookIn', askedAt: 'counter', settledAt } as const];
  });
}

/** What is to be found out next of the speaker that is there; null where nothing is. */
function counterQuestion(
  record: PointOpening['record'],
  isRepair: boolean,
): Pick<OpenPoint, 'words' | 'stake' | 'isHeld'> | null {
  const { presence, oldSpeaker } = record;
  const label = placeLabel(record);
  if (presence === 'notLooked')
    return {
      words: `${label}: is a speaker fitted, and does it play?`,
      stake: 'Drivers are bought for places that are empty, and empty places are forgotten.',
      isHeld: false,
    };
  if (presence !== 'fitted') return null;
  if (oldSpeaker === null || oldSpeaker.plays === 'notTried')
    return {
      words: `${label}: does it play, heard alone?`,
      stake: 'What was not heard before the work is the shop’s fault after it.',
      isHeld: false,
    };
  if (isHeardWrong(oldSpeaker)) return faultQuestion(label, oldSpeaker, faultHold(record));
  if (isRepair && isCoilUnknown(coilOf(oldSpeaker)) && oldSpeaker.damage.length === 0)
    return {
      words: `${label}: read its coil with the meter.`,
      stake: 'Four are bought where two were dead.',
      isHeld: false,
    };
  return null;
}

/** Nothing is ordered for a place that is silent or bad before it is known that the speaker is why. */
function faultQuestion(
  label: string,
  old: OldSpeaker,
  hold: string | null,
): Pick<OpenPoint, 'words' | 'stake' | 'isHeld'> | null {
  if (hold === null) return null;
  const words = `${label}: ${hold}`;
  const stake = 'A new speaker on a dead wire is silent too.';
  if (foundCause(old)) return { words, stake, isHeld: true };
  const next = nextFaultTest(trialsOf(old));
  const toDo = next ? `Next: ${lowerFirst(faultTestLabel(next))}.` : 'What was found contradicts itself: try again.';
  return { words, stake: `${toDo} ${stake}`, isHeld: true };
}
