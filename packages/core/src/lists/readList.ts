/** Reads a supplier's list row by row: what every cell means, and what of it nobody can use. */

import type { PartKind } from '../catalogue';
import {
  type ColumnUnit,
  decimalSignOf,
  isNothing,
  readAmount,
  readDays,
  readPieces,
  readStock,
  shown,
  spoiltNumber,
  tidyCell,
} from '../cells';
import type { Result } from '../result';
import { type DepthDatum, type ListColumn, SPEAKER_COLUMNS, type Table } from './columns';
import { columnUnits } from './columnUnits';
import { isFigureColumn, kindNamed } from './figureColumns';
import { type FigureRow, readFigures } from './readFigures';
import { type Cells, readSpeaker, type SpeakerGiven, type SpeakerRow } from './readSpeaker';
import { sensitivityCondition } from './speakerCells';

/**
 * What was found at a cell. An `error` keeps its row out; a `doubt` keeps it out until somebody says that it is right; a `note` says what
 * was understood.
 */
export type Finding = {
  readonly grade: 'error' | 'doubt' | 'note';
  /** Of the file, the first is 1. */
  readonly line: number;
  /** The first is 0; null for the row as a whole. */
  readonly column: number | null;
  readonly message: string;
};

/** A row of the list; what the list has no column for, or leaves empty, is null. */
export type ListRow = {
  readonly line: number;
  /** What it says of the speaker itself; null where it says nothing of one. */
  readonly speaker: SpeakerRow | null;
  /** What it says of a part of the list's kind that is no speaker; null where it says nothing of one. */
  readonly figures: FigureRow | null;
  /** Cars that it is said to fit, as they are written; of doubled rows each. */
  readonly fits: readonly string[];
  readonly number: string;
  readonly makersNumber: string;
  readonly maker: string;
  readonly name: string;
  readonly packPriceMinor: number | null;
  readonly currency: string | null;
  readonly packSize: number | null;
  readonly leadDays: number | null;
  readonly leastPacks: number | null;
  readonly stockPieces: number | null;
};

export type SupplierList = {
  readonly rows: readonly ListRow[];
  readonly findings: readonly Finding[];
  /** The supplier's numbers of all rows, those that stay out too, in small letters. */
  readonly numbers: ReadonlySet<string>;
  /** Of each column of lengths or masses what its bare numbers are read in. */
  readonly units: readonly (ColumnUnit | null)[];
};

type Given = {
  /** What kind of parts its figures are of. */
  readonly of: PartKind;
  readonly headRows: number;
  readonly columns: readonly (ListColumn | null)[];
  /** Of each column what its bare numbers are in, where somebody or the heading says so. */
  readonly units: readonly (ColumnUnit | null)[];
  readonly depthDatum: DepthDatum;
  /** The shop's own, ISO 4217. */
  readonly ownCurrency: string;
};

/** @param given what each column is, as guessed or as somebody said */
export function readList(table: Table, given: Given): SupplierList {
  const at = (column: ListColumn) => given.columns.indexOf(column);
  const body = table.slice(given.headRows);
  const units = columnUnits(table, given.of, given.headRows, given.columns, given.units);
  const ofSpeakers = speakerGiven(table, given, units);
  const sign = decimalSignOf(body.map((row) => row[at('price')] ?? ''));
  const findings: Finding[] = [];
  const numbers = new Set<string>();
  const rows = body.flatMap((cells, index) => {
    const line = given.headRows + index + 1;
    if (cells.every(isNothing)) return [];
    const row = new Row(cells, line, at, findings);
    const read = row.read(sign, given, ofSpeakers, units);
    if (read.number !== '') numbers.add(read.number.toLowerCase());
    return row.isBroken ? [] : [read];
  });
  return { rows: withoutDoubled(rows, at('number'), findings), findings, numbers, units };
}

/** What is read of speakers; null where the list has no column of them. */
function speakerGiven(
  table: Table,
  { of, headRows, columns, depthDatum }: Given,
  units: readonly (ColumnUnit | null)[],
): SpeakerGiven | null {
  if (of !== 'speaker' || !SPEAKER_COLUMNS.some((column) => columns.includes(column))) return null;
  const heading = table
    .slice(0, headRows)
    .map((row) => row[columns.indexOf('sensitivity')] ?? '')
    .join(' ');
  return {
    units: Object.fromEntries(columns.flatMap((column, at) => (column && units[at] ? [[column, units[at]]] : []))),
    depthDatum,
    sensitivityAt: sensitivityCondition(heading),
  };
}

class Row implements Cells {
  isBroken = false;

  constructor(
    private readonly cells: readonly string[],
    private readonly line: number,
    private readonly at: (column: ListColumn) => number,
    private readonly findings: Finding[],
  ) {}

  read(
    sign: ',' | '.' | null,
    { of, columns, ownCurrency }: Given,
    ofSpeakers: SpeakerGiven | null,
    units: readonly (ColumnUnit | null)[],
  ): ListRow {
    const isOfKind = this.isOfKind(of);
    const price = this.value('price', (text) => readAmount(text, sign));
    const currency = this.currency() ?? price?.currency ?? null;
    const row = {
      line: this.line,
      number: this.numberIn('number'),
      makersNumber: this.numberIn('makersNumber'),
      maker: this.text('maker'),
      name: this.text('name'),
      packPriceMinor: price?.minor ?? null,
      currency: currency === ownCurrency ? null : currency,
      packSize: this.value('packSize', readPieces),
      leadDays: this.value('leadDays', readDays),
      leastPacks: this.value('leastPacks', readPieces),
      stockPieces: this.value('stock', readStock),
      speaker: isOfKind && ofSpeakers ? readSpeaker(this, this.text('name'), ofSpeakers) : null,
      figures: isOfKind && columns.some(isFigureColumn) ? readFigures(this, of, columns, units) : null,
      fits: this.fits(),
    };
    if (row.number === '' && row.makersNumber === '' && row.name === '')
      this.find('error', null, 'Neither a number nor a name was read: nobody can tell which part it is.');
    return row;
  }

  /** Whether the row is of the kind that the list is of, where it says so; of others it is their offer alone that is read. */
  private isOfKind(of: PartKind): boolean {
    const cell = this.text('partKind');
    if (cell === '') return true;
    const kind = kindNamed(cell);
    if (kind === null)
      this.note(
        'partKind',
        `${shown(cell)} was read, no kind of part that is known here: its figures were left aside.`,
      );
    return kind === of;
  }

  private fits(): readonly string[] {
    const cell = this.cells[this.at('fits')] ?? '';
    return isNothing(cell) ? [] : [cell.trim()];
  }

  private text(column: ListColumn): string {
    const cell = this.cells[this.at(column)] ?? '';
    return isNothing(cell) ? '' : tidyCell(cell).slice(0, 120);
  }

  private numberIn(column: 'number' | 'makersNumber'): string {
    const text = this.text(column);
    const spoilt = spoiltNumber(text);
    if (spoilt) this.find('error', column, `${spoilt} Write the number as text in the file.`);
    if (text.length > 60) this.find('error', column, 'More than 60 characters were read: it is no number.');
    return text;
  }

  private currency(): string | null {
    const text = this.text('currency').toUpperCase();
    if (text === '' || /^[A-Z]{3}$/.test(text)) return text || null;
    this.find('error', 'currency', `“${text.slice(0, 12)}” was read. Three letters, such as EUR, would do.`);
    return null;
  }

  note(column: ListColumn, message: string): void {
    this.find('note', column, message);
  }

  value<Value>(column: ListColumn, read: (text: string) => Result<Value, string>): Value | null {
    const cell = this.cells[this.at(column)] ?? '';
    return isNothing(cell) ? null : this.readIn(column, cell, read);
  }

  chosen<Value>(column: ListColumn, read: (text: string) => Result<Value, string>): Value | null {
    const cell = this.cells[this.at(column)] ?? '';
    return isNothing(cell) && !read(cell).ok ? null : this.readIn(column, cell, read);
  }

  private readIn<Value>(column: ListColumn, cell: string, read: (text: string) => Result<Value, string>): Value | null {
    const spoilt = spoiltNumber(cell);
    if (spoilt) {
      this.find('error', column, spoilt);
      return null;
    }
    const found = read(cell);
    if (found.ok) return found.value;
    this.find('error', column, found.failure);
    return null;
  }

  private find(grade: Finding['grade'], column: ListColumn | null, message: string): void {
    if (grade === 'error') this.isBroken = true;
    this.findings.push({ grade, line: this.line, column: column === null ? null : this.at(column), message });
  }
}

/** A number that stands twice is one offer where both rows say the same but for the cars, and nobody's where they do not. */
function withoutDoubled(rows: readonly ListRow[], column: number, findings: Finding[]): readonly ListRow[] {
  const byNumber = new Map<string, ListRow[]>();
  for (const row of rows) {
    if (row.number === '') continue;
    const key = row.number.toLowerCase();
    byNumber.set(key, [...(byNumber.get(key) ?? []), row]);
  }
  const out = new Set<ListRow>();
  /** Of the first of several rows all cars: a row for each car is how many lists have them. */
  const cars = new Map<ListRow, readonly string[]>();
  for (const [first, ...others] of byNumber.values()) {
    if (!first || others.length === 0) continue;
    const differing = others.filter((row) => !saysTheSame(first, row));
    for (const row of others) {
      if (!differing.includes(row)) {
        out.add(row);
        const known = cars.get(first) ?? first.fits;
        const more = row.fits.filter((each) => !known.includes(each));
        cars.set(first, [...known, ...more]);
        if (more.length > 0) continue;
        findings.push({
          grade: 'note',
          line: row.line,
          column,
          message: `The same stands in row ${first.line}: it is taken once.`,
        });
      }
    }
    if (differing.length === 0) continue;
    const lines = [first, ...differing].map(({ line }) => line).join(', ');
    for (const row of [first, ...differing]) {
      out.add(row);
      findings.push({
        grade: 'error',
        line: row.line,
        column,
        message: `“${row.number}” stands in rows ${lines}, and they do not say the same.`,
      });
    }
  }
  return rows.flatMap((row) => (out.has(row) ? [] : [{ ...row, fits: cars.get(row) ?? row.fits }]));
}

function saysTheSame(a: ListRow, b: ListRow): boolean {
  const said = (row: ListRow) => JSON.stringify({ ...row, line: 0, fits: [] });
  return said(a) === said(b);
}
