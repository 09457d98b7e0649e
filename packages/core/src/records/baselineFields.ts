/** The fields of a baseline: each thing that was tried by itself, so that what two people tried comes together. */
import {
  type Baseline,
  functionLabel,
  type Listening,
  listeningWords,
  NO_BASELINE,
  type Signature,
  signatureWords,
  type TriedFunction,
  triedWords,
} from '../model';
import { type Field, keyField } from './Field';

type WithBaseline = { readonly baseline: Baseline };

const WHOLE: readonly Field<Baseline>[] = [
  keyField('radio', 'Settings of the radio', lookedWords),
  keyField('listening', 'Listening notes', (notes) => listeningWords(notes as readonly Listening[])),
  keyField('damage', 'Scratches and missing parts', lookedWords),
  keyField('signed', 'Signature', (signed) => signatureWords(signed as Signature | null)),
];

function lookedWords(text: unknown): string {
  if (text === null) return 'not looked';
  return text === '' ? 'looked: nothing' : String(text);
}

/** @param records what was tried in any of them is a field */
export function baselineFields<Rec extends WithBaseline>(...records: readonly Rec[]): readonly Field<Rec>[] {
  // What is kept of an earlier form has none.
  const all = records.map(({ baseline }) => baseline ?? NO_BASELINE);
  const tried = (['functions', 'after'] as const).flatMap((part) =>
    [...new Set(all.flatMap((each) => Object.keys(each[part])))].map((key) => triedField(part, key)),
  );
  const set = [...new Set(all.flatMap(({ settings }) => Object.keys(settings ?? {})))].map(settingField);
  return [...tried, ...set, ...WHOLE].map(ofBaseline<Rec>);
}

function triedField(part: 'functions' | 'after', key: string): Field<Baseline> {
  const name = key.startsWith('speaker.') ? 'Speaker' : functionLabel(key);
  return {
    path: `${part}.${key}`,
    label: part === 'after' ? `${name}, at hand-over` : name,
    read: (baseline) => baseline[part][key],
    write: (baseline, value) => {
      const { [key]: _, ...others } = baseline[part];
      return { ...baseline, [part]: value ? { ...others, [key]: value as TriedFunction } : others };
    },
    words: (value) => triedWords(value as TriedFunction | undefined),
  };
}

function settingField(what: string): Field<Baseline> {
  return {
    path: `settings.${what}`,
    label: `${what}, as set`,
    read: ({ settings }) => settings[what],
    write: (baseline, value) => {
      const { [what]: _, ...others } = baseline.settings;
      return { ...baseline, settings: value ? { ...others, [what]: String(value) } : others };
    },
    words: (value) => (value === undefined ? 'not written down' : String(value)),
  };
}

function ofBaseline<Rec extends WithBaseline>({ path, label, read, write, words }: Field<Baseline>): Field<Rec> {
  return {
    path: `baseline.${path}`,
    label,
    read: ({ baseline }) => read(baseline),
    write: (record, value) => ({ ...record, baseline: write(record.baseline, value) }),
    words,
  };
}
