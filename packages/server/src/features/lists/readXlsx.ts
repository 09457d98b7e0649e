/**
 * The sheet of a workbook in Office Open XML (ECMA-376, part 1, chapter 18) with the most rows, as rows of text: shared and inline strings,
 * numbers as they are, days as days, of a formula the value that was kept with it.
 */
import { fail, ok, type Result } from '@low-quarry/core/result';
import { SheetRows } from './SheetRows';
import { readXml, type Unpacked } from './unpack';

export type Sheet = {
  readonly name: string;
  readonly table: readonly (readonly string[])[];
  /** How many other sheets hold something. */
  readonly others: number;
};

export const XLSX_FILES =
  /^(xl\/workbook\.xml|xl\/_rels\/workbook\.xml\.rels|xl\/sharedStrings\.xml|xl\/styles\.xml|xl\/worksheets\/[^/]+\.xml)$/;

/** @param most rows; a longer sheet is refused */
export function readXlsx(files: Unpacked, most: number): Result<Sheet, string> {
  const strings = sharedStrings(files.get('xl/sharedStrings.xml'));
  const isDay = dayStyles(files.get('xl/styles.xml'));
  const is1904 = { value: false };
  const sheets = sheetsOf(files, is1904);
  const read = sheets.flatMap(({ name, path }) => {
    const bytes = files.get(path);
    return bytes ? [{ name, rows: rowsOf(bytes, strings, isDay, is1904.value, most) }] : [];
  });
  const filled = read.filter(({ rows }) => rows.count > 0);
  const [largest] = filled.toSorted((a, b) => b.rows.count - a.rows.count);
  if (!largest) return fail('Nothing was read: its sheets are empty.');
  return ok({ name: largest.name, table: largest.rows.table(), others: filled.length - 1 });
}

function sheetsOf(
  files: Unpacked,
  is1904: { value: boolean },
): readonly { readonly name: string; readonly path: string }[] {
  const targets = new Map<string, string>();
  const relations = files.get('xl/_rels/workbook.xml.rels');
  if (relations)
    readXml(relations, {
      open: (name, { Id = '', Target = '' }) => {
        if (name === 'Relationship') targets.set(Id, Target.startsWith('/') ? Target.slice(1) : `xl/${Target}`);
      },
      close: () => {},
      text: () => {},
    });
  const sheets: { name: string; path: string }[] = [];
  const workbook = files.get('xl/workbook.xml');
  if (workbook)
    readXml(workbook, {
      open: (tag, attributes) => {
        const name = local(tag);
        if (name === 'workbookPr' && /^(1|true)$/.test(attributes.date1904 ?? '')) is1904.value = true;
        const path = name === 'sheet' ? targets.get(attributes['r:id'] ?? '') : undefined;
        if (path !== undefined && attributes.state !== 'veryHidden' && attributes.state !== 'hidden')
          sheets.push({ name: attributes.name ?? '', path });
      },
      close: () => {},
      text: () => {},
    });
  return sheets;
}

/** Without the name space that some programs write before each. */
function local(tag: string): string {
  return tag.slice(tag.indexOf(':') + 1);
}

function sharedStrings(bytes: Uint8Array | undefined): readonly string[] {
  const strings: string[] = [];
  if (!bytes) return strings;
  let text = '';
  let isText = false;
  // How somebody says it aloud stands beside a text, and is none of it.
  let phonetic = 0;
  readXml(bytes, {
    open: (tag) => {
      const name = local(tag);
      if (name === 'si') text = '';
      if (name === 'rPh') phonetic++;
      isText = name === 't' && phonetic === 0;
    },
    close: (tag) => {
      const name = local(tag);
      if (name === 'rPh') phonetic--;
      if (name === 'si') strings.push(text);
      isText = false;
    },
    text: (more) => {
      if (isText) text += more;
    },
  });
  return strings;
}

/** Number formats of days by their numbers: those of the standard (18.8.30), and those that are written with day, month or year. */
const DAY_FORMATS = new Set([
  14, 15, 16, 17, 18, 19, 20, 21, 22, 27, 28, 29, 30, 31, 34, 35, 36, 45, 46, 47, 50, 51, 52, 53, 54, 55, 56, 57, 58,
]);

/** Whether a style of a cell shows a day. */
function dayStyles(bytes: Uint8Array | undefined): (style: number) => boolean {
  const own = new Set<number>();
  const styles: boolean[] = [];
  let isCellStyles = false;
  if (bytes)
    readXml(bytes, {
      open: (tag, { numFmtId = '0', formatCode = '' }) => {
        const name = local(tag);
        const plain = formatCode.replace(/"[^"]*"|\[[^\]]*\]|\\./g, '');
        if (name === 'numFmt' && /[dy]|m{1,5}(?![^;]*[0#])/i.test(plain) && !/[0#]/.test(plain))
          own.add(Number(numFmtId));
        if (name === 'cellXfs') isCellStyles = true;
        if (name === 'xf' && isCellStyles) styles.push(DAY_FORMATS.has(Number(numFmtId)) || own.has(Number(numFmtId)));
      },
      close: (tag) => {
        if (local(tag) === 'cellXfs') isCellStyles = false;
      },
      text: () => {},
    });
  return (style) => styles[style] ?? false;
}

type Cell = { at: number; row: number; type: string; style: number; value: string; hasFormula: boolean };

function rowsOf(
  bytes: Uint8Array,
  strings: readonly string[],
  isDay: (style: number) => boolean,
  is1904: boolean,
  most: number,
): SheetRows {
  const rows = new SheetRows(most);
  let row = -1;
  let cell: Cell | null = null;
  let isValue = false;
  readXml(bytes, {
    open: (tag, attributes) => {
      const name = local(tag);
      if (name === 'row') row = attributes.r ? Number(attributes.r) - 1 : row + 1;
      if (name === 'c') {
        const at = columnOf(attributes.r) ?? (cell ? cell.at + 1 : 0);
        cell = { at, row, type: attributes.t ?? 'n', style: Number(attributes.s ?? 0), value: '', hasFormula: false };
      }
      if (name === 'f' && cell) cell.hasFormula = true;
      isValue = name === 'v' || (name === 't' && cell?.type === 'inlineStr');
    },
    close: (tag) => {
      const name = local(tag);
      isValue = false;
      if (name === 'c' && cell) rows.put(cell.row, cell.at, textOf(cell, strings, isDay, is1904));
      if (name === 'row') cell = null;
    },
    text: (more) => {
      if (isValue && cell) cell.value += more;
    },
  });
  return rows;
}

/** Such as 27 of "AB12"; null where nothing is said. */
function columnOf(reference: string | undefined): number | null {
  const [letters] = /^[A-Z]{1,3}/.exec(reference ?? '') ?? [];
  if (!letters) return null;
  return [...letters].reduce((sum, letter) => 26 * sum + letter.charCodeAt(0) - 64, 0) - 1;
}

function textOf(
  { type, style, value, hasFormula }: Cell,
  strings: readonly string[],
  isDay: (style: number) => boolean,
  is1904: boolean,
): string {
  if (value === '') return hasFormula ? '=?' : '';
  switch (type) {
    case 's':
      return strings[Number(value)] ?? '';
    case 'b':
      return value === '1' ? 'yes' : 'no';
    case 'n':
      return isDay(style) ? dayText(Number(value), is1904) : numberText(value);
    default:
      return value;
  }
}

const DAY_MS = 86_400_000;

/** A day as ISO 8601, by the days since the last one of 1899 (18.17.4.1), or since the first of 1904. */
function dayText(serial: number, is1904: boolean): string {
  const start = is1904 ? Date.UTC(1904, 0, 1) : Date.UTC(1899, 11, 30);
  if (!(serial >= 0 && serial < 2_958_466)) return String(serial);
  return new Date(start + Math.floor(serial) * DAY_MS).toISOString().slice(0, 10);
}

/** As it was typed: without what doubles leave behind. With exactly three decimals a nought more, so that nobody takes the point for thousands. */
export function numberText(value: string): string {
  const number = Number(value);
  if (!Number.isFinite(number)) return value;
  const text = String(Number(number.toPrecision(15)));
  return /\.\d{3}$/.test(text) ? `${text}0` : text;
}
