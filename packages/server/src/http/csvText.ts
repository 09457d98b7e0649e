/** Rows as CSV (RFC 4180) for spreadsheets: what starts like a formula is not run by the one that opens the file. */
import { stringify } from 'csv-stringify/sync';

type Options = {
  readonly delimiter?: string;
  /** The byte order mark, by which spreadsheets know the letters: at the beginning of a file. */
  readonly isBeginning?: boolean;
};

export function csvText(
  rows: readonly (readonly unknown[])[],
  { delimiter = ',', isBeginning = true }: Options = {},
): string {
  return stringify(
    rows.map((row) => [...row]),
    { delimiter, bom: isBeginning, escape_formulas: true, record_delimiter: '\r\n' },
  );
}
