/** The fields of what a job has by name, crossovers and boxes: each by itself, so that what two people decided of left and right comes together. */
import { type Crossover, crossoverWords, nameKey, type Stowed, stowedWords } from '../model';
import type { Field } from './Field';

type Named = { readonly name: string };

/**
 * @param records what stands in any of them is a field; what is kept of an earlier form has none
 * @param words of one of them, or of none
 */
function namedFields<Key extends string, Item extends Named, Rec extends Readonly<Record<Key, Item[]>>>(
  at: Key,
  what: string,
  words: (item: Item | undefined) => string,
  records: readonly Rec[],
): readonly Field<Rec>[] {
  const names = new Map(
    records.flatMap((record) => (record[at] ?? []).map(({ name }) => [nameKey(name), name] as const)),
  );
  return [...names].map(([key, name]) => ({
    path: `${at}.${key}`,
    label: `${what} ${name}`,
    read: (record) => record[at].find((each) => nameKey(each.name) === key),
    write: (record, value) => ({ ...record, [at]: withOne(record[at], key, value as Item | undefined) }),
    words: (value) => words(value as Item | undefined),
  }));
}

export function crossoverFields<Rec extends { readonly crossovers: Crossover[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  return namedFields('crossovers', 'Crossover', crossoverWords, records);
}

export function stowedFields<Rec extends { readonly stowed: Stowed[] }>(
  ...records: readonly Rec[]
): readonly Field<Rec>[] {
  return namedFields('stowed', 'Box', stowedWords, records);
}

function withOne<Item extends Named>(items: readonly Item[], key: string, value: Item | undefined): Item[] {
  const others = items.filter(({ name }) => nameKey(name) !== key);
  if (value === undefined) return others;
  const at = items.findIndex(({ name }) => nameKey(name) === key);
  return others.toSpliced(at < 0 ? others.length : at, 0, value);
}
