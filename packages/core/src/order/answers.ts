/**
 * What a person says to a check that does not clear: why it is ordered all the same, or what was done about what holds.
 *
 * A reason is one person's, for one check of one choice, for what the check found when it was written. It never lifts a hold:
 * that takes a cure, which the trade knows of and somebody can check again. Cures are common practice, no source.
 */
import { z } from 'zod';
import { bringsMore, CHECK_IDS, type CheckId, COUNTS_FOR, type OpeningFacts, toBeKept, type Verdict } from '../fit';

export const SHORTEST_WORDS = 8;
const LONGEST_WORDS = 500;

const words = z
  .string()
  .trim()
  .min(SHORTEST_WORDS, `Type at least ${SHORTEST_WORDS} characters.`)
  .max(LONGEST_WORDS, `Type at most ${LONGEST_WORDS} characters.`);

export const CURE_IDS = [
  'sounderKept',
  'makersWay',
  'wiredOn',
  'bothKept',
  'newWire',
  'ownAdapter',
  'pigtailUsed',
  'loomCut',
  'housingChanged',
  'wiresJoined',
  'notchCut',
  'wireLengthened',
  'triedInHand',
  'holeFiled',
  'makersManual',
  'builtOnAgreed',
] as const;
export type CureId = (typeof CURE_IDS)[number];

type Cure = {
  readonly check: CheckId;
  readonly words: string;
  /** What has to be written down of it. */
  readonly evidence: string;
  /** A warning sound and an airbag are the shop's owner's to answer for. */
  readonly ownerOnly: boolean;
  /** Whether it asks for the leave of the vehicle's owner too. */
  readonly asksLeave: boolean;
  /** Whether it is a cure for what is known of the opening: what nobody has looked at is looked at first. */
  readonly suits: (opening: OpeningFacts) => boolean;
};

const always = () => true;

/** Whether all that comes besides the speaker's sound is known, and is of one kind: what keeps one does not keep the other. */
function isAllOf(opening: OpeningFacts, kind: 'warning' | 'soundOn'): boolean {
  const kept = toBeKept(opening);
  return kept !== null && kept.isWarning === (kind === 'warning') && kept.isSoundOn === (kind === 'soundOn');
}

export const CURES: Readonly<Record<CureId, Cure>> = {
  sounderKept: {
    check: 'chime',
    words: 'The factory sounder stays connected to what feeds it and is heard',
    evidence: 'Where it is fixed, and which warnings were heard from it',
    ownerOnly: true,
    asksLeave: true,
    suits: (opening) => isAllOf(opening, 'warning'),
  },
  makersWay: {
    check: 'chime',
    words: 'The vehicle maker says how the warnings are kept, and it is done that way',
    evidence: 'Which document of the maker, and what was done',
    ownerOnly: true,
    asksLeave: true,
    suits: (opening) => isAllOf(opening, 'warning'),
  },
  wiredOn: {
    check: 'chime',
    words: 'The wires that go on are joined, and the other speaker plays',
    evidence: 'Where they are joined, and which speaker was heard',
    ownerOnly: false,
    asksLeave: false,
    suits: (opening) => isAllOf(opening, 'soundOn'),
  },
  bothKept: {
    check: 'chime',
    words: 'The factory sounder stays connected and is heard, and the wires that go on are joined',
    evidence: 'Which warnings were heard from it, and which other speaker',
    ownerOnly: true,
    asksLeave: true,
    suits: (opening) => {
      const kept = toBeKept(opening);
      return kept?.isWarning === true && kept.isSoundOn;
    },
  },
  newWire: {
    check: 'connector',
    words: 'New wire is run to this opening',
    evidence: 'From where, and through which boot',
    ownerOnly: false,
    asksLeave: false,
    suits: ({ wiring }) => wiring.kind !== 'unknown',
  },
  ownAdapter: {
    check: 'connector',
    words: 'An adapter is made in the shop, the loom is not cut',
    evidence: 'With which plug, and who makes it',
    ownerOnly: false,
    asksLeave: false,
    suits: ({ wiring }) => wiring.kind === 'connector',
  },
  pigtailUsed: {
    check: 'connector',
    words: 'The old speaker’s own connector is cut off it and used again, the loom is not cut',
    evidence: 'Which old speaker it is cut off, and what told which of its wires is positive',
    ownerOnly: false,
    asksLeave: true,
    // What may have to go on sounding from the old speaker is not cut off it.
    suits: (opening) => opening.wiring.kind === 'connector' && !bringsMore(opening),
  },
  loomCut: {
    check: 'connector',
    words: 'The loom is cut and spliced',
    evidence: 'Where, and how it is joined',
    ownerOnly: false,
    asksLeave: true,
    suits: ({ wiring }) => wiring.kind === 'connector',
  },
  housingChanged: {
    check: 'connector',
    words: 'A new housing is put on the same terminals',
    evidence: 'Which housing, and where it is from',
    ownerOnly: false,
    asksLeave: false,
    suits: ({ wiring }) => wiring.kind === 'broken',
  },
  wiresJoined: {
    check: 'connector',
    words: 'The wires are told apart and joined to a lead',
    evidence: 'What told which is positive, and how they are joined',
    ownerOnly: false,
    asksLeave: false,
    suits: ({ wiring }) => wiring.kind === 'cut' || wiring.kind === 'bare' || wiring.kind === 'broken',
  },
  notchCut: {
    check: 'wireWay',
    words: 'A new notch is cut where the wire comes',
    evidence: 'Where on the bracket',
    ownerOnly: false,
    asksLeave: false,
    suits: always,
  },
  wireLengthened: {
    check: 'wireWay',
    words: 'The wire is lengthened to reach the notch',
    evidence: 'By how much, and how it is joined',
    ownerOnly: false,
    asksLeave: false,
    suits: always,
  },
  triedInHand: {
    check: 'hole',
    words: 'The speaker was here, and its terminals passed the hole',
    evidence: 'Who tried it, and how it was tilted',
    ownerOnly: false,
    asksLeave: false,
    suits: always,
  },
  holeFiled: {
    check: 'hole',
    words: 'The hole is opened where the terminals pass, and its edge painted',
    evidence: 'Where, and by how much',
    ownerOnly: false,
    asksLeave: true,
    suits: always,
  },
  makersManual: {
    check: 'airbag',
    words: "The vehicle maker's manual says how, and somebody who may does it that way",
    evidence: 'Which page of the manual, and who does it',
    ownerOnly: true,
    asksLeave: false,
    suits: ({ airbag }) => airbag === 'near',
  },
  builtOnAgreed: {
    check: 'place',
    words: 'The owner agrees that it is built on a panel that was closed, and that its holes stay',
    evidence: 'What was agreed, and where it is written',
    ownerOnly: false,
    asksLeave: true,
    suits: ({ made }) => made?.isOnClosed ?? false,
  },
};

/** The cures for a check that holds, as far as the opening is known; none where it has to be looked at first. */
export function curesFor(check: CheckId, opening: OpeningFacts): readonly CureId[] {
  return CURE_IDS.filter((id) => CURES[id].check === check && CURES[id].suits(opening));
}

/** Whether a written reason is an answer to it: what holds is lifted by what is done alone. */
export function takesReason({ verdict }: { readonly verdict: Verdict }): boolean {
  return verdict !== 'hold';
}

/** Whether somebody may write that a cure was done: there are some that the owner of the shop answers for. */
export function mayCure(id: CureId, roles: readonly string[]): boolean {
  return !CURES[id].ownerOnly || roles.includes('owner');
}

export const NO_REASON_WORDS = 'No reason lifts this hold';

/** What lifts a hold, as a sentence. */
export function liftWords(cures: readonly CureId[]): string {
  if (cures.length === 0) return `${NO_REASON_WORDS}: it has to be looked at first.`;
  return `${NO_REASON_WORDS}, only what is done about it: ${cures.map((id) => lowerFirst(CURES[id].words)).join('; or ')}.`;
}

/** Words that stand within a line. */
export function lowerFirst(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

const checkSchema = z.enum(CHECK_IDS);

const reasonSchema = z.strictObject({ kind: z.literal('reason'), check: checkSchema, words });
const cureSchema = z.strictObject({
  kind: z.literal('cure'),
  check: checkSchema,
  cure: z.enum(CURE_IDS),
  /** What was done or seen, so that somebody else can look at it again. */
  words,
  /** Who of the vehicle's side gave leave, and how; null where the cure asks for none. */
  leave: z.string().trim().min(3, 'Who gave leave, and how.').max(200, 'Type at most 200 characters.').nullable(),
});

export const newAnswerSchema = z.discriminatedUnion('kind', [reasonSchema, cureSchema]);
export type NewAnswer = z.infer<typeof newAnswerSchema>;

/** At most one answer to each check. */
export const newAnswersSchema = z
  .array(newAnswerSchema)
  .max(CHECK_IDS.length)
  .refine((answers) => new Set(answers.map(({ check }) => check)).size === answers.length, 'One answer a check.');

const given = {
  by: z.string(),
  at: z.iso.datetime(),
  /** What the check had found: the answer is to that. */
  found: z.object({
    verdict: z.enum(['clears', 'measure', 'hits', 'hold']),
    /** A reason for what nobody had looked at is none for what a look then finds. */
    countsFor: z.enum(COUNTS_FOR),
    marginMm: z.number().nullable(),
    sentence: z.string(),
  }),
};
export const answerSchema = z.discriminatedUnion('kind', [reasonSchema.extend(given), cureSchema.extend(given)]);
export type Answer = z.infer<typeof answerSchema>;

/** What an answer was before a reason belonged to one check: it is kept and shown, and answers nothing. */
export function withAnswers(record: unknown): unknown {
  if (typeof record !== 'object' || record === null || !('reason' in record)) return record;
  const { reason, ...rest } = record;
  return { answers: [], earlierReason: reason, ...rest };
}

/** The answer as a sentence, without the name of its check. */
export function answerWords(answer: NewAnswer & { readonly by?: string }): string {
  const by = answer.by === undefined ? '' : `, ${answer.by}`;
  if (answer.kind === 'reason') return `“${answer.words}”${by}`;
  const leave = answer.leave === null ? '' : `; leave of the vehicle’s owner: ${answer.leave}`;
  return `${CURES[answer.cure].words}: “${answer.words}”${leave}${by}`;
}
