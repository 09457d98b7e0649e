/** Rows as a file for other programs: CSV (RFC 4180) or an Office Open XML workbook (ECMA-376). */
import writeXlsxFile from 'write-excel-file/node';
import { csvText } from './csvText';

export type Cell = string | number | null;
export type Table = {
  /** Of the sheet. */
  readonly name: string;
  readonly headings: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
};

export const TABLE_TYPES = {
  csv: 'text/csv',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

export async function writeTable(format: keyof typeof TABLE_TYPES, table: Table): Promise<Uint8Array> {
  return format === 'csv' ? new TextEncoder().encode(csvText([table.headings, ...table.rows])) : writeXlsx(table);
}

async function writeXlsx({ name, headings, rows }: Table): Promise<Uint8Array> {
  const heads = headings.map((value) => ({ value, fontWeight: 'bold' as const }));
  const widths = headings.map((heading, at) => ({
    width: widthOf([heading, ...rows.slice(0, LOOKED_AT).map((row) => row[at])]),
  }));
  const book = writeXlsxFile([heads, ...rows.map((row) => [...row])], {
    sheet: name,
    columns: widths,
    stickyRowsCount: 1,
  });
  return book.toBuffer();
}

/** So many rows say how wide a column is. */
const LOOKED_AT = 200;
/** Wider ones are read in the cell's own line, letters. */
const WIDEST = 60;
const MARGIN = 2;

function widthOf(cells: readonly (Cell | undefined)[]): number {
  return Math.min(WIDEST, Math.max(...cells.map((cell) => String(cell ?? '').length)) + MARGIN);
}
