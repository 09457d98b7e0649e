/** What a supplier's list would make of a library, without a database: minutes of work for a large one, so that it runs apart (`tasks`). */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { type ColumnUnit, LENGTH_UNITS, MASS_UNITS } from '@low-quarry/core/cells';
import {
  type importList,
  type ListImported,
  MOST_LIST_ROWS,
  MOST_TOLD,
  SHOWN_ROWS,
} from '@low-quarry/core/contracts/supplierLists';
import {
  type Finding,
  guessColumns,
  LIST_COLUMNS,
  type ListColumn,
  type OfferPlan,
  planOffers,
  planSpeakers,
  readList,
  type SpeakerPlan,
  type Table,
} from '@low-quarry/core/lists';
import { isSame, type ListSaid } from '@low-quarry/core/records';
import { ok, type Result } from '@low-quarry/core/result';
import type { z } from 'zod';
import { csvText } from '../../http/csvText';
import type { Say } from '../../tasks/Say';
import type { KeptPart } from '../library/PartsStore';
import { readKept } from '../library/readRecords';
import { type ReadTable, readTable } from './readTable';

export type ListTask = {
  readonly file: Uint8Array;
  readonly asked: Omit<z.output<typeof importList.body>, 'base64'>;
  /** The shop's own, ISO 4217. */
  readonly currency: string;
  /** What was said of the last list of this supplier; null where nothing was. */
  readonly remembered: ListSaid | null;
  /** Every part of the library, each as the JSON that is kept. */
  readonly kept: readonly Pick<KeptPart, 'id' | 'kept'>[];
};
export type PlannedList = {
  readonly answer: ListImported;
  /** Every part that is another one by the list. */
  readonly parts: readonly PartRecord[];
  /** What is to be remembered of it; null where nobody said anything. */
  readonly said: ListSaid | null;
};
/** @returns why the file is no list, where it is none */
export function planList({ file, asked, currency, remembered, kept }: ListTask, say: Say): Result<PlannedList, string> {
  const { supplier, day } = asked;
  say('Reading the file', 0);
  const read = readTable(Buffer.from(file), MOST_LIST_ROWS);
  if (!read.ok) return read;
  const { table } = read.value;
  const guessed = guessColumns(table);
  const heads = headsOf(table, guessed.headRows);
  const isAsBefore =
    asked.columns === null && asked.units === null && remembered !== null && isSame(heads, remembered.heads);
  const given = isAsBefore ? understood(remembered) : asked;
  const columns = given.columns ?? guessed.columns;
  const units = given.units ?? guessed.units;
  say('Understanding its rows', 0.1);
  const list = readList(table, { ...guessed, columns, units, ownCurrency: currency });
  say('Looking for its parts in the library', 0.3);
  const parts = readKept(kept.map((part) => part.kept));
  const offers = planOffers(list, { supplier, parts, day, withDoubts: asked.withDoubts });
  say('Comparing speakers with their class', 0.5);
  const takenIds = new Set(kept.map((part) => part.id));
  const speakers = planSpeakers(offers, { supplier, parts, takenIds, day, columns, withDoubted: asked.withDoubted });
  const answer = toAnswer(
    read.value,
    { headRows: guessed.headRows, columns, units: list.units, isAsBefore },
    offers,
    speakers,
  );
  const isSaid = isAsBefore || asked.columns !== null || asked.units !== null;
  return ok({
    answer,
    parts: changedParts(parts, offers, speakers),
    said: isSaid ? { supplier, heads, columns: [...columns], units: [...units] } : null,
  });
}

/** The words above each column, of however many rows; of headings that nobody knows the first row, should it have no figure in it. */
function headsOf(table: Table, knownRows: number): string[] {
  const [first = []] = table;
  const headRows = knownRows === 0 && !first.some((cell) => /\d/.test(cell)) ? 1 : knownRows;
  const width = table.reduce((most, row) => Math.max(most, row.length), 0);
  return Array.from({ length: width }, (_, at) =>
    table
      .slice(0, headRows)
      .map((row) => row[at] ?? '')
      .join(' ')
      .trim(),
  );
}

/** Of what was remembered what this program still knows. */
function understood({ columns, units }: ListSaid): Pick<ListTask['asked'], 'columns' | 'units'> {
  return {
    columns: columns.map((column) => LIST_COLUMNS.find((each) => each === column) ?? null),
    units: units.map((unit) => [...LENGTH_UNITS, ...MASS_UNITS].find((each) => each === unit) ?? null),
  };
}

/** Every part that is another one by the list: with its offers, with its figures, or new. */
function changedParts(
  parts: readonly PartRecord[],
  { changes }: OfferPlan,
  { added, changed }: SpeakerPlan,
): PartRecord[] {
  const figures = new Map(changed.map((speaker) => [speaker.id, speaker]));
  const others = parts.flatMap((part): PartRecord[] => {
    const offers = changes.get(part.id);
    const now = figures.get(part.id) ?? part;
    return offers ? [{ ...now, offers: [...offers] }] : now === part ? [] : [now];
  });
  return [...others, ...added];
}

const GRAVEST_FIRST: readonly Finding['grade'][] = ['error', 'doubt', 'note'];

type Understood = Pick<ListImported, 'headRows' | 'isAsBefore'> & {
  readonly columns: readonly (ListColumn | null)[];
  readonly units: readonly (ColumnUnit | null)[];
};

function toAnswer(
  { table, readAs, delimiter }: ReadTable,
  { headRows, columns, units, isAsBefore }: Understood,
  offers: OfferPlan,
  speakers: SpeakerPlan,
): ListImported {
  const { added, changed, same, priceRatio, gone } = offers;
  const { unknown, doubted, notCompared } = speakers;
  const keptOut = [...new Set([...offers.keptOut, ...speakers.keptOut])].sort((a, b) => a - b);
  const findings = [...offers.findings, ...speakers.findings].sort(
    (a, b) => GRAVEST_FIRST.indexOf(a.grade) - GRAVEST_FIRST.indexOf(b.grade) || a.line - b.line,
  );
  return {
    readAs,
    rows: table.length,
    headRows,
    isAsBefore,
    columns: [...columns],
    units: [...units],
    shown: table.slice(0, headRows + SHOWN_ROWS).map((row) => [...row]),
    ...{ added, changed, same, priceRatio, gone, doubted, notCompared },
    datums: speakers.datums.map((each) => ({ ...each })),
    newSpeakers: speakers.added.length,
    changedSpeakers: speakers.changed.length,
    unknown: unknown.length,
    unknownRows: unknown.slice(0, MOST_TOLD).map(({ line, number, name }) => ({ line, number, name })),
    doubts: offers.findings.filter(({ grade }) => grade === 'doubt').length,
    keptOut: keptOut.length,
    findings: findings.slice(0, MOST_TOLD).map((each) => ({ ...each })),
    found: findings.length,
    toMend: toMend(table, headRows, delimiter, keptOut),
  };
}

/** With the list's own headings, so that it is understood again; nothing in it is run by a spreadsheet that opens it. */
function toMend(table: Table, headRows: number, delimiter: string, lines: readonly number[]): string | null {
  if (lines.length === 0) return null;
  const rows = [...table.slice(0, headRows), ...lines.map((line) => table[line - 1] ?? [])];
  return csvText(rows, { delimiter });
}
