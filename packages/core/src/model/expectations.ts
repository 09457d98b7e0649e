/**
 * What is usually expected wrongly of such work on such a car, said before it begins. Which applies follows from the wish, from what stays,
 * and from the body: what does not apply is not said. Common practice, no source; that +3 dB takes twice the power is 10 log10(2) = 3.01 dB.
 */
import { z } from 'zod';
import type { Goals, Keep, Later } from './intake';
import type { Body, Cab } from './vehicle';

/** What of a job it follows from. */
export type Wished = {
  readonly goals: Goals;
  readonly keeps: readonly Keep[] | null;
  readonly later: readonly Later[] | null;
  readonly vehicle: { readonly body: Body; readonly cab: Cab | null };
};

type ExpectationEntry = { readonly says: string; readonly applies: (job: Wished) => boolean };

const VANS: ReadonlySet<Body> = new Set(['smallVan', 'largeVan', 'lorry']);
const LONG: ReadonlySet<Body> = new Set(['minibus', 'largeVan']);

const TABLE = {
  clearerNotLouder: {
    says: 'On the factory radio it gets clearer rather than much louder.',
    applies: ({ goals, later }) => wants(goals, 'clearer', 'louder') && !later?.includes('amplifier'),
  },
  powerForLoudness: {
    says: 'Twice the power is 3 dB, which is heard as a little louder; the speaker’s own sensitivity counts as much.',
    applies: ({ goals }) => wants(goals, 'louder'),
  },
  bassHasLimits: {
    says: 'Bass from doors has limits; more of it needs a box and an amplifier.',
    applies: ({ goals }) => wants(goals, 'bass', 'louder'),
  },
  quietLetsOtherNoise: {
    says: 'A quieted door lets other noises be heard.',
    applies: ({ goals }) => wants(goals, 'clearer', 'bass'),
  },
  frontDoesNotReach: {
    says: 'Speakers in front reach the last row by being too loud in front: that row needs places of its own.',
    applies: ({ goals, vehicle: { body } }) => wants(goals, 'everySeat') && LONG.has(body),
  },
  repairIsAsBefore: {
    says: 'A repair sounds as it did before it broke, not better.',
    applies: ({ goals }) => wants(goals, 'repair') && !wants(goals, 'clearer', 'louder', 'bass'),
  },
  otherSideIsOlder: {
    says: 'One new speaker beside an old one is heard: the other side sounds duller.',
    applies: ({ goals }) => wants(goals, 'repair'),
  },
  openRoof: {
    says: 'With the roof open, wind and road cover what doors can give.',
    applies: ({ vehicle: { body } }) => body === 'roadster',
  },
  emptyLoadSpace: {
    says: 'An empty load space booms behind the seats; no speaker changes that.',
    applies: ({ vehicle: { body } }) => VANS.has(body),
  },
} as const satisfies Readonly<Record<string, ExpectationEntry>>;

export type Expectation = keyof typeof TABLE;
export const EXPECTATIONS = Object.keys(TABLE) as [Expectation, ...Expectation[]];
export const expectationsSchema = z.array(z.enum(EXPECTATIONS)).max(EXPECTATIONS.length);

export const EXPECTATION_LABELS = Object.fromEntries(EXPECTATIONS.map((key) => [key, TABLE[key].says])) as Readonly<
  Record<Expectation, string>
>;

/** In the order in which they are said. */
export function expectationsFor(job: Wished): readonly Expectation[] {
  return EXPECTATIONS.filter((key) => TABLE[key].applies(job));
}

function wants(goals: Goals, ...some: readonly (keyof NonNullable<Goals>)[]): boolean {
  return some.some((goal) => goals?.[goal] !== undefined);
}
