/**
 * A supplier's file as rows of cells: spreadsheets, and text in whatever encoding and parted by whatever sign, as RFC 4180 has it and as
 * people write it.
 */
import { fail, ok, type Result } from '@low-quarry/core/result';
import { parse } from 'csv-parse/sync';
import { ODS_FILES, readOds } from './readOds';
import { readXlsx, type Sheet, XLSX_FILES } from './readXlsx';
import { TooManyRows } from './SheetRows';
import { unpack } from './unpack';

export type ReadTable = {
  readonly table: readonly (readonly string[])[];
  /** What was read, and how, as the end of a sentence. */
  readonly readAs: string;
  /** What parts the cells of text. */
  readonly delimiter: string;
};

const DELIMITERS = [';', '\t', ',', '|'] as const;
/** So much of a text is looked at to see what parts its cells. */
const LOOKED_AT = 64 * 1024;

/** Files that are no text, by their first bytes: what they are, and what would do. */
const NO_TEXT: readonly (readonly [string, string])[] = [
  ['d0cf11e0', 'a spreadsheet of an old kind (XLS)'],
  ['25504446', 'a PDF'],
  ['1f8b', 'a packed file'],
];

/** @param most rows; a longer list is refused */
export function readTable(file: Buffer, most: number): Result<ReadTable, string> {
  const head = file.subarray(0, 4).toString('hex');
  if (head === ZIP) return readSpreadsheet(file, most);
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
    if (table.length > most) return fail(tooMany(most));
    const sign = delimiter === '\t' ? 'a tab' : `“${delimiter}”`;
    return ok({ table, readAs: `${encoding}, cells parted by ${sign}`, delimiter });
  } catch (error) {
    return fail(`It cannot be read as a list: ${error instanceof Error ? error.message : 'not readable'}.`);
  }
}

const ZIP = '504b0304';

function readSpreadsheet(file: Buffer, most: number): Result<ReadTable, string> {
  const files = unpack(file, (name) => XLSX_FILES.test(name) || ODS_FILES.test(name));
  if (!files.ok) return files;
  try {
    if (files.value.has('xl/workbook.xml')) return toTable(readXlsx(files.value, most), 'XLSX');
    if (files.value.has('content.xml')) return toTable(readOds(files.value, most), 'ODS');
    return fail('It is a packed file, and no spreadsheet (XLSX or ODS) is in it.');
  } catch (error) {
    if (error instanceof TooManyRows) return fail(tooMany(most));
    return fail('It begins as a spreadsheet and is broken. Open it, save it again, and bring that in.');
  }
}

function toTable(sheet: Result<Sheet, string>, format: string): Result<ReadTable, string> {
  if (!sheet.ok) return sheet;
  const { name, table, others } = sheet.value;
  const rest = others === 0 ? '' : `; ${others} more ${others === 1 ? 'sheet was' : 'sheets were'} not read`;
  return ok({ table, readAs: `${format}, sheet “${name}”${rest}`, delimiter: ';' });
}

function tooMany(most: number): string {
  return `More than ${most.toLocaleString('en')} rows were read. Part the list into several files.`;
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
