/** The fields of what was done in the bay: each step by itself, so that what two tablets ticked comes together. */
import {
  type Bay,
  type FoundThing,
  foundWords,
  markWords,
  NOTHING_DONE,
  PANEL_LABELS,
  PANEL_SPOT_LABELS,
  type PanelKind,
  type PanelSpot,
  panelLabel,
  type StepMark,
} from '../model';
import { type Field, isSame } from './Field';

type WithBay = { readonly bay: Bay };

/** @param records what is ticked or found in any of them is a field; what is kept of an earlier form has none */
export function bayFields<Rec extends WithBay>(...records: readonly Rec[]): readonly Field<Rec>[] {
  const all = records.map(({ bay }) => bay ?? NOTHING_DONE);
  const ids = new Set(all.flatMap(({ steps }) => Object.keys(steps)));
  const found = new Map(all.flatMap((each) => each.found.map((thing) => [thing.key, thing] as const)));
  return [...[...ids].map((id) => stepField<Rec>(id)), ...[...found.values()].map((thing) => foundField<Rec>(thing))];
}

function stepField<Rec extends WithBay>(id: string): Field<Rec> {
  return {
    path: `bay.steps.${id}`,
    label: stepLabel(id),
    read: ({ bay }) => bay.steps[id],
    write: (record, value) => {
      const { [id]: _, ...others } = record.bay.steps;
      const steps = value ? { ...others, [id]: value as StepMark } : others;
      return { ...record, bay: { ...record.bay, steps } };
    },
    words: (value) => markWords(value as StepMark | undefined),
    both: (mine, theirs) => bothMarks(mine as StepMark | undefined, theirs as StepMark | undefined),
  };
}

/** As far as its id tells: "Step, door card, front left: off cup", "Step at an opening: heard", "Step: battery off". */
function stepLabel(id: string): string {
  const [, kind = '', spot = '', rest = ''] = /^panel (\w+) (\w+) (.*)$/.exec(id) ?? [];
  if (kind in PANEL_LABELS && spot in PANEL_SPOT_LABELS) {
    const panel = panelLabel({ kind: kind as PanelKind, spot: spot as PanelSpot, name: '' });
    return `Step, ${panel.toLowerCase()}: ${rest.trim()}`;
  }
  const [, atOpening] = /^opening \S+ (.*)$/.exec(id) ?? [];
  return atOpening === undefined ? `Step: ${id}` : `Step at an opening: ${atOpening}`;
}

/** Of two who ticked one step who was first has done it, and the other ticked it too; a tick is stronger than its being taken off. */
function bothMarks(mine: StepMark | undefined, theirs: StepMark | undefined): StepMark | undefined {
  if (!mine || !theirs) return mine ?? theirs;
  const isDifferent = (key: 'counted' | 'torque') =>
    mine[key] !== undefined && theirs[key] !== undefined && !isSame(mine[key], theirs[key]);
  if (isDifferent('counted') || isDifferent('torque')) return undefined;
  if (mine.state === 'skipped' || theirs.state === 'skipped') return undefined;
  const [first, later] = isFirst(mine, theirs) ? [mine, theirs] : [theirs, mine];
  const also = [...new Set([...(first.also ?? []), later.by, ...(later.also ?? [])])].filter((by) => by !== first.by);
  const notes = [...new Set([first.note, later.note].filter((note) => note !== undefined))];
  return {
    ...later,
    ...first,
    ...(also.length > 0 ? { also } : {}),
    ...(notes.length > 0 ? { note: notes.join('; ').slice(0, 300) } : {}),
    ...(later.seconded ? { seconded: later.seconded } : {}),
  };
}

/** Done before noted, then by the clock. */
function isFirst(mine: StepMark, theirs: StepMark): boolean {
  if (mine.state !== theirs.state) return mine.state === 'done';
  return mine.at <= theirs.at;
}

function foundField<Rec extends WithBay>({ key, where }: FoundThing): Field<Rec> {
  return {
    path: `bay.found.${key}`,
    label: `Found, ${where}`,
    read: ({ bay }) => bay.found.find((each) => each.key === key),
    write: (record, value) => {
      const { found } = record.bay;
      const at = found.findIndex((each) => each.key === key);
      const others = found.filter((each) => each.key !== key);
      const next = value ? others.toSpliced(at < 0 ? others.length : at, 0, value as FoundThing) : others;
      return { ...record, bay: { ...record.bay, found: next } };
    },
    words: (value) => (value ? foundWords(value as FoundThing) : 'nothing'),
  };
}
