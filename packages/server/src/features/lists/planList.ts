/** What a supplier's list would make of a library, without a database: minutes of work for a large one, so that it runs apart (`tasks`). */
import { type ConnectorRecord, PART_KINDS, type PartKind, type PartRecord } from '@low-quarry/core/catalogue';
import { type ColumnUnit, LENGTH_UNITS, MASS_UNITS } from '@low-quarry/core/cells';
import {
  type importList,
  type ListImported,
  MOST_LIST_ROWS,
  MOST_TOLD,
  SHOWN_ROWS,
} from '@low-quarry/core/contracts/supplierLists';
import {
  type ClaimsPlan,
  type Finding,
  type FitsVehicle,
  guessColumns,
  LIST_COLUMNS,
  type ListColumn,
  type ListRow,
  type OfferPlan,
  type PartsPlan,
  planClaims,
  planOffers,
  planParts,
  readList,
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
  readonly connectors: readonly ConnectorRecord[];
  /** Every variant of the library. */
  readonly vehicles: readonly FitsVehicle[];
  /** Who brings it in. */
  readonly by: string;
};
export type PlannedList = {
  readonly answer: ListImported;
  /** Every part that is another one by the list. */
  readonly parts: readonly PartRecord[];
  /** What is to be remembered of it; null where nobody said anything. */
  readonly said: ListSaid | null;
};
/** @returns why the file is no list, where it is none */
export function planList(task: ListTask, say: Say): Result<PlannedList, string> {
  const { file, asked, currency, remembered, kept, by: notedBy } = task;
  const { supplier, day, withDoubts, withDoubted } = asked;
  say('Reading the file', 0);
  const read = readTable(Buffer.from(file), MOST_LIST_ROWS);
  if (!read.ok) return read;
  const { table } = read.value;
  const heads = headsOf(table, guessColumns(table).headRows);
  const isSaidNow = asked.columns !== null || asked.units !== null || asked.of !== null;
  const isAsBefore = !isSaidNow && remembered !== null && isSame(heads, remembered.heads);
  const given = isAsBefore ? understood(remembered) : asked;
  const guessed = guessColumns(table, given.of);
  const { of } = guessed;
  const columns = given.columns ?? guessed.columns;
  const units = given.units ?? guessed.units;
  say('Understanding its rows', 0.1);
  const list = readList(table, { ...guessed, columns, units, ownCurrency: currency });
  say('Looking for its parts in the library', 0.2);
  const parts = readKept(kept.map((part) => part.kept));
  const offers = planOffers(list, { supplier, parts, day, withDoubts });
  say('Comparing speakers with their class', 0.4);
  const takenIds = new Set(kept.map((part) => part.id));
  const connectors = connectorsByWords(task.connectors);
  const figures = planParts(offers, { of, supplier, parts, takenIds, connectors, day, columns, withDoubted });
  const column = columns.indexOf('fits');
  const claims = planClaims(rowsWithParts(parts, offers, figures), {
    ...{ supplier, vehicles: task.vehicles, notedBy, day, column },
  });
  const answer = toAnswer(
    read.value,
    { of, headRows: guessed.headRows, columns, units: list.units, isAsBefore },
    { offers, figures, claims },
  );
  return ok({
    answer,
    parts: changedParts(parts, { offers, figures, claims }),
    said: isAsBefore || isSaidNow ? { supplier, of, heads, columns: [...columns], units: [...units] } : null,
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
function understood({ of = 'speaker', columns, units }: ListSaid): Pick<ListTask['asked'], 'of' | 'columns' | 'units'> {
  return {
    of: PART_KINDS.find((each) => each === of) ?? null,
    columns: columns.map((column) => LIST_COLUMNS.find((each) => each === column) ?? null),
    units: units.map((unit) => [...LENGTH_UNITS, ...MASS_UNITS].find((each) => each === unit) ?? null),
  };
}

function connectorsByWords(connectors: readonly ConnectorRecord[]): ReadonlyMap<string, string> {
  return new Map(connectors.flatMap(({ id, name }) => [name, id].map((words) => [words.toLowerCase(), id])));
}

type Plans = { readonly offers: OfferPlan; readonly figures: PartsPlan; readonly claims: ClaimsPlan };

/** The rows that say something of cars, with the part that each is of, known or new. */
function rowsWithParts(
  parts: readonly PartRecord[],
  { matched }: OfferPlan,
  { added, rows }: PartsPlan,
): readonly { readonly row: ListRow; readonly part: PartRecord }[] {
  const byId = new Map(parts.map((part) => [part.id, part]));
  const of = (row: ListRow | undefined, part: PartRecord | undefined) =>
    row && part && row.fits.length > 0 ? [{ row, part }] : [];
  return [
    ...matched.flatMap(({ row, partId }) => of(row, byId.get(partId))),
    ...added.flatMap((part) => of(rows.get(part.id), part)),
  ];
}

/** Every part that is another one by the list: with its offers, with its figures, with claims, or new. */
function changedParts(parts: readonly PartRecord[], { offers, figures, claims }: Plans): PartRecord[] {
  const changed = new Map(figures.changed.map((part) => [part.id, part]));
  const claimed = (part: PartRecord): PartRecord => {
    const all = claims.changes.get(part.id);
    return all ? { ...part, claims: [...all] } : part;
  };
  const others = parts.flatMap((part): PartRecord[] => {
    const offered = offers.changes.get(part.id);
    const now = claimed(changed.get(part.id) ?? part);
    return offered ? [{ ...now, offers: [...offered] }] : now === part ? [] : [now];
  });
  return [...others, ...figures.added.map(claimed)];
}

const GRAVEST_FIRST: readonly Finding['grade'][] = ['error', 'doubt', 'note'];

type Understood = Pick<ListImported, 'headRows' | 'isAsBefore'> & {
  readonly of: PartKind;
  readonly columns: readonly (ListColumn | null)[];
  readonly units: readonly (ColumnUnit | null)[];
};

function toAnswer(
  { table, readAs, delimiter }: ReadTable,
  { of, headRows, columns, units, isAsBefore }: Understood,
  { offers, figures, claims }: Plans,
): ListImported {
  const { added, changed, same, priceRatio, gone } = offers;
  const { unknown, doubted, notCompared, datums } = figures;
  const keptOut = [...new Set([...offers.keptOut, ...figures.keptOut])].sort((a, b) => a - b);
  const findings = [...offers.findings, ...figures.findings, ...claims.findings].sort(
    (a, b) => GRAVEST_FIRST.indexOf(a.grade) - GRAVEST_FIRST.indexOf(b.grade) || a.line - b.line,
  );
  return {
    readAs,
    rows: table.length,
    headRows,
    isAsBefore,
    of,
    columns: [...columns],
    units: [...units],
    shown: table.slice(0, headRows + SHOWN_ROWS).map((row) => [...row]),
    ...{ added, changed, same, priceRatio, gone, doubted, notCompared },
    datums: datums.map((each) => ({ ...each })),
    newParts: figures.added.length,
    changedParts: figures.changed.length,
    claims: claims.added,
    carsElsewhere: claims.elsewhere,
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
