/** Jobs, parts or the history as CSV (RFC 4180), one line a record, nested facts as JSON in their cell. */
import type { ShopFile } from '@low-quarry/core/formats/shopFile';
import { stringify } from 'csv-stringify/sync';

export const CSV_TABLES = ['jobs', 'openings', 'parts', 'history'] as const;
export type CsvTable = (typeof CSV_TABLES)[number];

const BYTE_ORDER_MARK = '\uFEFF';

export function writeTableCsv(file: ShopFile, table: CsvTable): string {
  const rows = rowsOf(file, table);
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const cells = rows.map((row) => columns.map((column) => toCell(row[column])));
  return BYTE_ORDER_MARK + stringify([columns, ...cells], { escape_formulas: true, record_delimiter: '\r\n' });
}

function rowsOf(file: ShopFile, table: CsvTable): readonly Readonly<Record<string, unknown>>[] {
  switch (table) {
    case 'jobs':
      return file.jobs.map(({ openings, ...job }) => ({ ...job, openings: openings.length }));
    case 'openings':
      return file.jobs.flatMap(({ number, openings }) =>
        openings.map(({ id, version, record, choice }) => ({ job: number, id, version, ...record, choice })),
      );
    case 'parts':
      return file.parts;
    case 'history':
      return file.history;
  }
}

function toCell(value: unknown): string {
  if (value === null || value === undefined) return '';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
