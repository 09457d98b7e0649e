/**
 * A record as a list of named fields: what a history tells, what a conflict shows side by side, and what merges by itself
 * are all read from the same list, so that none of them can forget one.
 */

export type Field<Rec> = {
  /** In the record, such as `dimensions.depthBehind`. */
  readonly path: string;
  readonly label: string;
  readonly read: (record: Rec) => unknown;
  readonly write: (record: Rec, value: unknown) => Rec;
  /** The value for a person to read. */
  readonly words: (value: unknown) => string;
  /** What two people wrote of it put together, where that asks nobody; undefined where it is a clash. */
  readonly both?: (mine: unknown, theirs: unknown) => unknown;
};

export type Difference = {
  readonly path: string;
  readonly label: string;
  readonly before: string;
  readonly after: string;
};

/** Where two records differ, field by field, in words. */
export function differencesOf<Rec>(fields: readonly Field<Rec>[], before: Rec, after: Rec): readonly Difference[] {
  return fields.flatMap((field) => {
    const { path, label } = field;
    const [a, b] = [valueIn(field, before), valueIn(field, after)];
    return isSame(a, b) ? [] : [{ path, label, before: wordsFor(field, a), after: wordsFor(field, b) }];
  });
}

/** A record that could not be brought to today's form may lack what a field looks into: it has nothing there. */
function valueIn<Rec>({ read }: Field<Rec>, record: Rec): unknown {
  try {
    return read(record);
  } catch {
    return undefined;
  }
}

function wordsFor<Rec>({ words }: Field<Rec>, value: unknown): string {
  try {
    return words(value);
  } catch {
    return plainWords(value);
  }
}

/** A field that two people changed, each to something else. */
export type Clash = {
  readonly path: string;
  readonly label: string;
  readonly base: string;
  readonly mine: string;
  readonly theirs: string;
};

export type Merge<Rec> = {
  /** Every field that only one of them changed as they left it; of a clash as `mine` has it. */
  readonly merged: Rec;
  readonly clashes: readonly Clash[];
  /** Labels of what was taken from `theirs`. */
  readonly taken: readonly string[];
};

/**
 * Puts two changes of one record together. A field that one of them left as it was follows the other; one that both
 * changed alike is no clash.
 *
 * @param base what both began with
 */
export function mergeChanges<Rec>(fields: readonly Field<Rec>[], base: Rec, mine: Rec, theirs: Rec): Merge<Rec> {
  const clashes: Clash[] = [];
  const taken: string[] = [];
  let merged = mine;
  for (const { path, label, read, write, words, both } of fields) {
    const [was, here, there] = [read(base), read(mine), read(theirs)];
    if (isSame(here, there) || isSame(was, there)) continue;
    if (isSame(was, here)) {
      merged = write(merged, there);
      taken.push(label);
      continue;
    }
    const together = both?.(here, there);
    if (together !== undefined) merged = write(merged, together);
    else clashes.push({ path, label, base: words(was), mine: words(here), theirs: words(there) });
  }
  return { merged, clashes, taken };
}

/** The record with some fields as another has them. */
export function takeFields<Rec>(fields: readonly Field<Rec>[], into: Rec, from: Rec, paths: ReadonlySet<string>): Rec {
  return fields.reduce((record, { path, read, write }) => (paths.has(path) ? write(record, read(from)) : record), into);
}

/** Whether two values are the same to a reader: in whatever order their keys are, and nothing as good as undefined. */
export function isSame(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value ?? null;
  const entries = Object.entries(value).filter(([, each]) => each !== undefined);
  return Object.fromEntries(entries.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, each]) => [key, sorted(each)]));
}

/** A field that is a key of its record. */
export function keyField<Rec extends object>(
  key: keyof Rec & string,
  label: string,
  words: (value: unknown) => string = plainWords,
): Field<Rec> {
  return {
    path: key,
    label,
    read: (record) => record[key],
    write: (record, value) => ({ ...record, [key]: value }),
    words,
  };
}

export function plainWords(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.length === 0 ? 'nothing' : value.map(plainWords).join(', ');
  if (typeof value !== 'object') return String(value);
  return Object.entries(value)
    .map(([name, each]) => `${name} ${plainWords(each)}`)
    .join(', ');
}
