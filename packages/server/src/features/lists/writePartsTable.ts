/** Parts as a file for other programs, without a database. */
import type { PartKind } from '@low-quarry/core/catalogue';
import type { TableFormat } from '@low-quarry/core/contracts/tableFormats';
import { outHeadings, partRows, unreadableRow } from '@low-quarry/core/lists';
import { readStored } from '@low-quarry/core/records';
import { writeTable } from '../../http/writeTable';
import type { Say } from '../../tasks/Say';

export type PartsTableTask = {
  readonly format: TableFormat;
  /** That all parts are of; `speaker` where there are several. */
  readonly kind: PartKind;
  /** In the order of the rows. */
  readonly kept: readonly { readonly id: string; readonly kept: string }[];
  /** The shop's own, ISO 4217. */
  readonly currency: string;
};

/** @returns the file */
export async function writePartsTable({ format, kind, kept, currency }: PartsTableTask, say: Say): Promise<Uint8Array> {
  say('Reading the parts', 0);
  const rows = kept.flatMap(({ id, kept: text }) => {
    const read = readStored('part', JSON.parse(text));
    return read.ok ? partRows(read.value, currency, kind) : [unreadableRow(id, read.failure, kind)];
  });
  say('Writing the file', 0.5);
  return writeTable(format, { name: 'Parts', headings: outHeadings(kind), rows });
}
