/**
 * The fields of what a job has several of, crossovers, boxes and times in the bay: each by itself, so that what two people decided of left and
 * right comes together.
 */
import {
  type Booking,
  bookingWords,
  type Crossover,
  crossoverWords,
  nameKey,
  type Quieted,
  quietedWords,
  type Stowed,
  stowedWords,
} from '../model';
import type { Field } from './Field';

/** What makes one of them the same as before, what it is called, and its words, or those of none. */
type Each<Item> = {
  readonly keyOf: (item: Item) => string;
  readonly labelOf: (item: Item) => string;
  readonly words: (item: Item | undefined) => string;
};

/** @param records what stands in any of them is a field; what is kept of an earlier form has none */
function keyedFields<Key extends string, Item, Rec extends Readonly<Record<Key, Item[]>>>(
  at: Key,
  { keyOf, labelOf, words }: Each<Item>,
  records: readonly Rec[],
): readonly Field<Rec>[] {
  const labels = new Map(
    records.flatMap((record) => (record[at] ?? []).map((item) => [keyOf(item), labelOf(item)] as const)),
  );
  const withOne = (items: readonly Item[], key: string, value: Item | undefined) => {
    const others = items.filter((item) => keyOf(item) !== key);
    if (value === undefined) return others;
    const place = items.findIndex((item) => keyOf(item) === key);
    return others.toSpliced(place < 0 ? others.length : place, 0, value);
  };
  return [...labels].map(([key, label]) => ({
    path: `${at}.${key}`,
    label,
    read: (record) => record[at].find((item) => keyOf(item) === key),
    write: (record, value) => ({ ...record, [at]: withOne(record[at], key, value as Item | undefined) }),
    words: (value) => words(value as Item | undefined),
  }));
}

const named = (what: string) => ({
  keyOf: ({ name }: { readonly name: string }) => nameKey(name),
  labelOf: ({ name }: { readonly name: string }) => `${what} ${name}`,
});

export function crossoverFields<Rec extends { readonly crossovers: Crossover[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  return keyedFields('crossovers', { ...named('Crossover'), words: crossoverWords }, records);
}

export function stowedFields<Rec extends { readonly stowed: Stowed[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  return keyedFields('stowed', { ...named('Box'), words: stowedWords }, records);
}

export function quietedFields<Rec extends { readonly quieted: Quieted[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  return keyedFields('quieted', { ...named('Quieting'), words: quietedWords }, records);
}

export function bookedFields<Rec extends { readonly booked: Booking[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  const booking: Each<Booking> = {
    keyOf: ({ key }) => key,
    labelOf: ({ day }) => `Time in the bay on ${day}`,
    words: (value) => (value ? bookingWords(value) : 'none'),
  };
  return keyedFields('booked', booking, records);
}
