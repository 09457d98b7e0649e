/** Parts as a file for other programs, without a database: CSV (RFC 4180) or an Office Open XML workbook (ECMA-376). */

import type { TableFormat } from '@low-quarry/core/contracts/library';
import { OUT_HEADINGS, type OutCell, partRows, unreadableRow } from '@low-quarry/core/lists';
import { readStored } from '@low-quarry/core/records';
import writeXlsxFile from 'write-excel-file/node';
import { csvText } from '../../http/csvText';
import type { Say } from '../../tasks/Say';

export type PartsTableTask = {
  readonly format: TableFormat;
  /** In the order of the rows. */
  readonly kept: readonly { readonly id: string; readonly kept: string }[];
  /** The shop's own, ISO 4217. */
  readonly currency: string;
};

/** @returns the file */
export async function writePartsTable({ format, kept, currency }: PartsTableTask, say: Say): Promise<Uint8Array> {
  say('Reading the parts', 0);
  const rows = kept.flatMap(({ id, kept: text }) => {
    const read = readStored('part', JSON.parse(text));
    return read.ok ? partRows(read.value, currency) : [unreadableRow(id, read.failure)];
  });
  say('Writing the file', 0.5);
  return format === 'csv' ? new TextEncoder().encode(csvText([OUT_HEADINGS, ...rows])) : writeXlsx(rows);
}

async function writeXlsx(rows: readonly (readonly OutCell[])[]): Promise<Uint8Array> {
  const heads = OUT_HEADINGS.map((value) => ({ value, fontWeight: 'bold' as const }));
  const widths = OUT_HEADINGS.map((heading, at) => ({
    width: widthOf([heading, ...rows.slice(0, LOOKED_AT).map((row) => row[at])]),
  }));
  const book = writeXlsxFile([heads, ...rows.map((row) => [...row])], {
    sheet: 'Parts',
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

function widthOf(cells: readonly (OutCell | undefined)[]): number {
  return Math.min(WIDEST, Math.max(...cells.map((cell) => String(cell ?? '').length)) + MARGIN);
}
