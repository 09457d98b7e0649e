/** The fields of what is known of a car: each fact by itself, so that what two people found comes together. */
import { CAR_FACT_KEYS, CAR_FACTS, type CarFact, type CarFacts, carFactWords } from '../model';
import type { Field } from './Field';

/** @param at where in the record they are */
export function carFactFields<Key extends string, Rec extends Readonly<Record<Key, CarFacts>>>(
  at: Key,
): readonly Field<Rec>[] {
  return CAR_FACT_KEYS.map((key) => ({
    path: `${at}.${key}`,
    label: CAR_FACTS[key].label,
    // What is kept of an earlier form has none.
    read: (record) => (record[at] as CarFacts | undefined)?.[key],
    write: (record, value) => {
      const { [key]: _, ...others } = (record[at] ?? {}) as CarFacts;
      return { ...record, [at]: value ? { ...others, [key]: value as CarFact } : others };
    },
    words: (value) => carFactWords(key, value as CarFact | undefined),
  }));
}
