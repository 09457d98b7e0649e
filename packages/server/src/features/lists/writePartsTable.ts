/** Parts as a file for other programs, without a database. */

import type { TableFormat } from '@low-quarry/core/contracts/library';
import { OUT_HEADINGS, partRows, unreadableRow } from '@low-quarry/core/lists';
import { readStored } from '@low-quarry/core/records';
import { writeTable } from '../../http/writeTable';
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
  return writeTable(format, { name: 'Parts', headings: OUT_HEADINGS, rows });
}
