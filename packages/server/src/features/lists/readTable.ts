/** A supplier's file as rows of cells: text in whatever encoding and parted by whatever sign, as RFC 4180 has it and as people write it. */
import { fail, ok, type Result } from '@low-quarry/core/result';
import { parse } from 'csv-parse/sync';

export type ReadTable = {
  readonly table: readonly (readonly string[])[];
  readonly encoding: string;
  /** What parts the cells. */
  readonly delimiter: string;
};

const DELIMITERS = [';', '\t', ',', '|'] as const;
/** So much of a text is looked at to see what parts its cells. */
const LOOKED_AT = 64 * 1024;

/** Files that are no text, by their first bytes: what they are, and what would do. */
const NO_TEXT: readonly (readonly [string, string])[] = [
  ['504b0304', 'a spreadsheet (XLSX or ODS)'],
  ['d0cf11e0', 'a spreadsheet of an old kind (XLS)'],
  ['25504446', 'a PDF'],
  ['1f8b', 'a packed file'],
];

/** @param most rows; a longer list is refused */
export function readTable(file: Buffer, most: number): Result<ReadTable, string> {
  const head = file.subarray(0, 4).toString('hex');
  const other = NO_TEXT.find(([bytes]) => head.startsWith(bytes));
  if (other) return fail(`It is ${other[1]}. Open it, save it as CSV, and bring that in.`);
  const { text, encoding } = decode(file);
  if (text.includes('\0')) return fail('It holds bytes that no text has. Save the list as CSV, and bring that in.');
  if (text.trim() === '') return fail('Nothing was read: the file is empty.');
  const delimiter = delimiterOf(text.slice(0, LOOKED_AT));
  try {
    const table: string[][] = parse(text, {
      delimiter,
      relax_column_count: true,
      relax_quotes: true,
      // A list of more rows is refused before all of it is read.
      to: most + 1,
    });
    if (table.length > most)
      return fail(`More than ${most.toLocaleString('en')} rows were read. Part the list into several files.`);
    return ok({ table, encoding, delimiter });
  } catch (error) {
    return fail(`It cannot be read as a list: ${error instanceof Error ? error.message : 'not readable'}.`);
  }
}

function decode(file: Buffer): { text: string; encoding: string } {
  const bom = file.subarray(0, 3).toString('hex');
  if (bom.startsWith('fffe')) return { text: new TextDecoder('utf-16le').decode(file), encoding: 'UTF-16' };
  if (bom.startsWith('feff')) return { text: new TextDecoder('utf-16be').decode(file), encoding: 'UTF-16' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(file), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(file), encoding: 'Windows-1252' };
  }
}

/** The sign that stands equally often in most lines, outside of quotes; of two, the one that parts more cells. */
function delimiterOf(text: string): string {
  const lines = text
    .replace(/"(?:[^"]|"")*"/g, '')
    .split(/\r\n|\n|\r/)
    .filter((line) => line !== '')
    .slice(0, 50);
  const found = DELIMITERS.map((sign) => {
    const counts = lines.map((line) => line.split(sign).length - 1);
    const usual = counts.toSorted((a, b) => a - b)[Math.floor(counts.length / 2)] ?? 0;
    return { sign, usual, share: usual === 0 ? 0 : counts.filter((count) => count === usual).length / counts.length };
  });
  const [best] = found.toSorted((a, b) => b.share - a.share || b.usual - a.usual);
  return best && best.share > 0 ? best.sign : ',';
}
