/**
 * What is asked when a car is booked in, besides whose it is: every answer may be missing, and a missing one is no "nothing". Null is
 * "not asked"; an empty list or an empty line is "asked: nothing".
 */
import { z } from 'zod';
import { CONSENT_KINDS, type ConsentKind, type Consents } from '../order';

/** What somebody wants of the work, in the order in which it is asked. */
export const GOAL_LABELS = {
  repair: 'Repair what is dead',
  clearer: 'Clearer',
  louder: 'Louder',
  bass: 'More bass',
  everySeat: 'All seats can hear it',
  simple: 'Simple, as it was',
} as const;
export type Goal = keyof typeof GOAL_LABELS;
export const GOALS = Object.keys(GOAL_LABELS) as [Goal, ...Goal[]];

/** How much it counts. */
export const WEIGHT_LABELS = { 1: 'a little', 2: 'yes', 3: 'above all' } as const;
export type Weight = keyof typeof WEIGHT_LABELS;
const weightSchema = z.union([z.literal(1), z.literal(2), z.literal(3)]);
export const goalsSchema = z.partialRecord(z.enum(GOALS), weightSchema).nullable();
export type Goals = z.infer<typeof goalsSchema>;

/** What must stay as it is. */
export const KEEP_LABELS = {
  cutting: 'Nothing is cut or drilled',
  radio: 'The radio stays',
  grille: 'The grilles stay',
  pocket: 'The door pockets stay',
} as const;
export type Keep = keyof typeof KEEP_LABELS;
export const KEEPS = Object.keys(KEEP_LABELS) as [Keep, ...Keep[]];
export const keepsSchema = z.array(z.enum(KEEPS)).max(KEEPS.length).nullable();

/** What may come later, and must not be made wrong by today's work. */
export const LATER_LABELS = {
  radio: 'Another radio',
  amplifier: 'An amplifier',
  bass: 'A bass box',
  rear: 'The rear speakers',
} as const;
export type Later = keyof typeof LATER_LABELS;
export const LATERS = Object.keys(LATER_LABELS) as [Later, ...Later[]];
export const latersSchema = z.array(z.enum(LATERS)).max(LATERS.length).nullable();

/** What of today's work must not stand in the way of each; common practice, no source. */
export const LATER_HEEDS: Readonly<Record<Later, string>> = {
  radio: 'The radio’s plugs stay whole, and which pair goes to which speaker is written down.',
  amplifier:
    'No speaker that stands a radio’s power only; the way for its wires stays free, and pairs can be reached again.',
  bass: 'Its room and a way for its wires stay free; the doors are not made to give what the box will.',
  rear: 'What is bought in front can be had again for the rear; together they must not load a channel beyond what it stands.',
};

/** A line that may not have been asked for. */
export const askedTextSchema = z.string().trim().max(500, 'Type at most 500 characters.').nullable();

export const OWNER_LABELS = {
  notAsked: 'Not asked',
  customer: 'The customer’s own',
  company: 'A company’s',
  leased: 'Leased',
} as const;
export const OWNERS = Object.keys(OWNER_LABELS) as [keyof typeof OWNER_LABELS, ...(keyof typeof OWNER_LABELS)[]];

export const LEAVE_LABELS = {
  notAsked: 'Not asked for',
  asked: 'Asked for, no answer yet',
  given: 'Given',
  refused: 'Refused',
} as const;
export const LEAVES = Object.keys(LEAVE_LABELS) as [keyof typeof LEAVE_LABELS, ...(keyof typeof LEAVE_LABELS)[]];

/** Whose car it is, and the leave of an owner who is not the customer. */
export const ownershipSchema = z.strictObject({
  owner: z.enum(OWNERS),
  leave: z.enum(LEAVES),
  /** Who was asked or answered, when and how. */
  by: z.string().trim().max(200, 'Type at most 200 characters.'),
  /** Of a car that goes back to its owner: what has to be in it again by then; null where nobody asked. */
  putBack: askedTextSchema.default(null),
});
export type Ownership = z.infer<typeof ownershipSchema>;

export const OWNERSHIP_NOT_ASKED: Ownership = { owner: 'notAsked', leave: 'notAsked', by: '', putBack: null };

/** Whether somebody else than the customer has to agree before anything is changed. */
export function needsLeave({ owner }: Pick<Ownership, 'owner'>): boolean {
  return owner === 'company' || owner === 'leased';
}

/** What changes the car for good, shows, or may not hold, as it is agreed to. */
export const CONSENT_LABELS: Readonly<Record<ConsentKind, string>> = {
  cutCloth: 'Cutting the cloth of a grille away',
  fileHole: 'Filing or cutting the hole in the car wider',
  drill: 'Drilling new holes into the car',
  grind: 'Grinding off what stands on the metal',
  loomCut: 'Cutting the loom of the car',
  oldSpeakerCut: 'Cutting the connector off the old speaker, which is not whole any more',
  grilleOff: 'Leaving a grille off',
  pocketGone: 'Giving up a pocket of the door',
  unprovenFixing: 'A fixing that nobody has proved to hold',
};

/** By act: who agreed in writing, how and when. One that is empty was not given. */
export const consentsSchema = z
  .partialRecord(z.enum(CONSENT_KINDS), z.string().trim().max(200, 'Type at most 200 characters.'))
  .transform((consents) => Object.fromEntries(Object.entries(consents).filter(([, by]) => by)) as Consents);

export function consentsWords(consents: Consents): string {
  const given = CONSENT_KINDS.flatMap((kind) => (consents[kind] ? [`${CONSENT_LABELS[kind]}: ${consents[kind]}`] : []));
  return given.length === 0 ? 'none given' : given.join('; ');
}

/** In the smallest unit of the shop's currency. */
export const budgetSchema = z
  .int('Type an amount such as 420.')
  .min(0, 'Type an amount of 0 or more.')
  .max(100_000_000, 'Type an amount of at most a million.')
  .nullable();

export const NOT_ASKED = 'not asked';

/** "a, b"; "asked: nothing". */
export function listWords<Key extends string>(
  keys: readonly Key[] | null,
  labels: Readonly<Record<Key, string>>,
): string {
  if (keys === null) return NOT_ASKED;
  return keys.length === 0 ? 'asked: nothing' : keys.map((key) => labels[key].toLowerCase()).join(', ');
}

export function goalsWords(goals: Goals): string {
  if (goals === null) return NOT_ASKED;
  const wanted = GOALS.filter((goal) => goals[goal]).sort((a, b) => (goals[b] ?? 0) - (goals[a] ?? 0));
  if (wanted.length === 0) return 'asked: nothing';
  return wanted.map((goal) => `${GOAL_LABELS[goal].toLowerCase()} (${WEIGHT_LABELS[goals[goal] ?? 2]})`).join(', ');
}

export function ownershipWords({ owner, leave, by, putBack }: Ownership): string {
  const whose = OWNER_LABELS[owner].toLowerCase();
  if (!needsLeave({ owner })) return whose;
  return [
    whose,
    `leave ${LEAVE_LABELS[leave].toLowerCase()}`,
    ...(by ? [by] : []),
    `to be put back: ${askedWords(putBack)}`,
  ].join(', ');
}

export function askedWords(text: string | null): string {
  if (text === null) return NOT_ASKED;
  return text === '' ? 'asked: nothing' : text;
}
