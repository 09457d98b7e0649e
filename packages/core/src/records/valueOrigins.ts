/** Where each value of a part comes from: the last change that made it what it is, and what that is worth. */
import { figureOfKey, openDoubts, type PartRecord } from '../catalogue';
import { isSame } from './Field';
import { partFields } from './partFields';

/** From what is worth most. */
export const VALUE_GRADES = ['typed', 'list', 'pack', 'unknown'] as const;
export type ValueGrade = (typeof VALUE_GRADES)[number];

export const GRADE_WORDS: Readonly<Record<ValueGrade, { readonly label: string; readonly worth: string }>> = {
  typed: { label: 'Typed by hand', worth: 'as good as the sheet that it was read from' },
  list: { label: 'A supplier’s list', worth: 'as he wrote it: a slip of his is in it' },
  pack: { label: 'A parts pack', worth: 'as good as whoever made the pack' },
  unknown: { label: 'There from the beginning', worth: 'nobody knows from whom: hold the maker’s sheet against it' },
};

/** A change of a part, or one of many at once. */
export type ValueStep = {
  readonly at: string;
  readonly by: string;
  readonly grade: Exclude<ValueGrade, 'unknown'>;
  /** The list or the pack; empty for what was typed. */
  readonly from: string;
  /** Null where the part was not there. */
  readonly before: unknown;
  readonly after: unknown;
};

export type ValueOrigin = {
  readonly path: string;
  readonly label: string;
  readonly words: string;
  readonly grade: ValueGrade;
  readonly from: string;
  /** Null where nobody knows. */
  readonly by: string | null;
  readonly at: string | null;
  readonly isDoubted: boolean;
  /** Who measured it in hand since, which stands above it; null where nobody did. */
  readonly measured: { readonly by: string; readonly on: string } | null;
};

/** What says by itself who wrote it and when, or is no value. */
const SAYS_ITSELF = new Set([
  'id',
  'kind',
  'inHand',
  'terminalsInHand',
  'makersBias',
  'doubts',
  'listed',
  'claims',
  'aliases',
  'replacedBy',
]);

/** @param steps the last first; what came before the first of them is not known */
export function valueOrigins(part: PartRecord, steps: readonly ValueStep[]): readonly ValueOrigin[] {
  const speaker = part.kind === 'speaker' ? part : null;
  const doubted = new Set(speaker ? openDoubts(speaker).map(({ figure }) => figure) : []);
  return partFields(part)
    .filter(({ path, read }) => !SAYS_ITSELF.has(path) && isSomething(read(part)))
    .map(({ path, label, read, words }) => {
      const step = steps.find(
        ({ before, after }) => before === null || !isSame(valueAt(path, before), valueAt(path, after)),
      );
      const figure = figureOfKey(path);
      const inHand =
        path === 'boxes' ? speaker?.terminalsInHand : speaker?.inHand.find((each) => each.figure === figure);
      return {
        path,
        label,
        words: words(read(part)),
        grade: step?.grade ?? 'unknown',
        from: step?.from ?? '',
        by: step?.by ?? null,
        at: step?.at ?? null,
        isDoubted: figure !== null && doubted.has(figure),
        measured: inHand ? { by: inHand.by, on: inHand.on } : null,
      };
    });
}

/** What nobody wrote down comes from nobody. */
function isSomething(value: unknown): boolean {
  return value !== null && value !== undefined && value !== '' && !(Array.isArray(value) && value.length === 0);
}

/** States of earlier forms may lack a key, or be no record at all. */
function valueAt(path: string, state: unknown): unknown {
  return (state as Readonly<Record<string, unknown>> | undefined)?.[path] ?? null;
}
