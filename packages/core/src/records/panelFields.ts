/**
 * The fields of a vehicle's panels: each part of each panel by itself, and each fastener and what hangs on it by its key, so that two people
 * who look at one door are put together, and who fills in a count replaces nothing.
 */
import {
  attachedWords,
  COMES_OFF_LABELS,
  type FirstThen,
  fastenerWords,
  GRADE_LABELS,
  instructionWords,
  newPanel,
  type Panel,
  panelLabel,
  type VehicleRecord,
} from '../model';
import { type Field, plainWords } from './Field';

type Item<Part extends 'fasteners' | 'attached'> = NonNullable<Panel[Part]>[number];

/** For every panel that any of the records has. */
export function panelFields(...records: readonly VehicleRecord[]): readonly Field<VehicleRecord>[] {
  const all = records.flatMap(({ panels }) => panels ?? []);
  const labels = [...new Set(all.map(panelLabel))];
  return labels.flatMap((label) =>
    fieldsOfPanel(
      label,
      all.filter((panel) => panelLabel(panel) === label),
    ),
  );
}

function fieldsOfPanel(label: string, states: readonly Panel[]): readonly Field<VehicleRecord>[] {
  const [where] = states;
  if (!where) return [];
  const of = (record: VehicleRecord) => record.panels?.find((panel) => panelLabel(panel) === label);
  /** A panel that is not there is begun when a part of it comes. */
  const change = (record: VehicleRecord, make: (panel: Panel) => Panel): VehicleRecord => {
    const there = of(record);
    const { kind, spot, name } = where;
    const next = make(there ?? newPanel({ kind, spot, name }));
    const panels = there ? record.panels.map((panel) => (panel === there ? next : panel)) : [...record.panels, next];
    return { ...record, panels };
  };
  const part = <Key extends keyof Panel>(
    key: Key,
    name: string,
    words: (value: Panel[Key]) => string = plainWords,
  ): Field<VehicleRecord> => ({
    path: `panels.${label}.${key}`,
    label: `${label}: ${name}`,
    read: (record) => of(record)?.[key],
    write: (record, value) =>
      value === undefined ? record : change(record, (panel) => ({ ...panel, [key]: value as Panel[Key] })),
    words: (value) => (value === undefined ? 'not there' : value === null ? 'not looked' : words(value as Panel[Key])),
  });
  const items = <Part extends 'fasteners' | 'attached'>(
    key: Part,
    name: string,
    words: (item: Item<Part>) => string,
  ): readonly Field<VehicleRecord>[] => {
    const listOf = (panel: Panel | undefined) => (panel?.[key] ?? []) as readonly Item<Part>[];
    const keys = [...new Set(states.flatMap((panel) => listOf(panel).map((item) => item.key)))];
    const looked: Field<VehicleRecord> = {
      path: `panels.${label}.${key}`,
      label: `${label}: ${name}`,
      // What is in the list is told item by item.
      read: (record) => {
        const panel = of(record);
        return panel && (panel[key] === null ? null : true);
      },
      write: (record, value) =>
        value === undefined
          ? record
          : change(record, (panel) => ({ ...panel, [key]: value === null ? null : (panel[key] ?? []) })),
      words: (value) => (value === undefined ? 'not there' : value === null ? 'not looked' : 'looked'),
    };
    return [
      looked,
      ...keys.map(
        (itemKey): Field<VehicleRecord> => ({
          path: `panels.${label}.${key}.${itemKey}`,
          label: `${label}: ${name}`,
          read: (record) => listOf(of(record)).find((item) => item.key === itemKey),
          write: (record, value) => {
            if (value === undefined && !of(record)) return record;
            return change(record, (panel) => ({
              ...panel,
              [key]: withItem(listOf(panel), itemKey, value as Item<Part> | undefined),
            }));
          },
          words: (value) => (value ? words(value as Item<Part>) : 'not there'),
        }),
      ),
    ];
  };
  const isThere: Field<VehicleRecord> = {
    path: `panels.${label}`,
    label,
    read: (record) => (of(record) ? true : undefined),
    write: (record, value) =>
      value
        ? change(record, (panel) => panel)
        : { ...record, panels: record.panels.filter((panel) => panel !== of(record)) },
    words: (value) => (value ? 'there' : 'not there'),
  };
  return [
    isThere,
    part('grade', 'how it is known', (grade) => GRADE_LABELS[grade]),
    part('instructions', 'instructions', (all) => (all ?? []).map(instructionWords).join('; ') || 'none'),
    part('comesOff', 'how it comes off', (comesOff) => (comesOff ? COMES_OFF_LABELS[comesOff] : '')),
    part('pryFrom', 'where to begin'),
    ...items('fasteners', 'held by', fastenerWords),
    part('looksLike', 'what only looks like a fixing'),
    part('stays', 'what stays'),
    ...items('attached', 'hangs on it', attachedWords),
    part('breaks', 'what breaks'),
    part('order', 'what comes before what', (order) => orderWords(order, states)),
    part('note', 'note'),
  ];
}

function withItem<Each extends { readonly key: string }>(
  list: readonly Each[],
  key: string,
  value: Each | undefined,
): readonly Each[] {
  if (!value) return list.filter((each) => each.key !== key);
  return list.some((each) => each.key === key)
    ? list.map((each) => (each.key === key ? value : each))
    : [...list, value];
}

function orderWords(order: readonly FirstThen[], states: readonly Panel[]): string {
  if (order.length === 0) return 'nothing';
  const names = new Map(
    states.flatMap((panel) => [
      ...(panel.fasteners ?? []).map((each) => [each.key, each.where] as const),
      ...(panel.attached ?? []).map((each) => [each.key, each.what] as const),
    ]),
  );
  const nameOf = (key: string) => names.get(key) ?? 'something that is gone';
  return order.map(({ first, next }) => `${nameOf(first)} before ${nameOf(next)}`).join('; ');
}
