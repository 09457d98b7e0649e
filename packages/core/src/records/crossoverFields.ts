/** The fields of a job's crossovers: each by itself, so that what two people decided of left and right comes together. */
import { type Crossover, crossoverKey, crossoverWords } from '../model';
import type { Field } from './Field';

type WithCrossovers = { readonly crossovers: Crossover[] };

/** @param records what stands in any of them is a field */
export function crossoverFields<Rec extends WithCrossovers>(...records: readonly Rec[]): readonly Field<Rec>[] {
  // What is kept of an earlier form has none.
  const names = new Map(
    records.flatMap(({ crossovers }) => (crossovers ?? []).map(({ name }) => [crossoverKey(name), name] as const)),
  );
  return [...names].map(([key, name]) => ({
    path: `crossovers.${key}`,
    label: `Crossover ${name}`,
    read: ({ crossovers }) => crossovers.find((each) => crossoverKey(each.name) === key),
    write: (record, value) => ({
      ...record,
      crossovers: withOne(record.crossovers, key, value as Crossover | undefined),
    }),
    words: (value) => crossoverWords(value as Crossover | undefined),
  }));
}

function withOne(crossovers: readonly Crossover[], key: string, value: Crossover | undefined): Crossover[] {
  const others = crossovers.filter(({ name }) => crossoverKey(name) !== key);
  if (value === undefined) return others;
  const at = crossovers.findIndex(({ name }) => crossoverKey(name) === key);
  return others.toSpliced(at < 0 ? others.length : at, 0, value);
}
