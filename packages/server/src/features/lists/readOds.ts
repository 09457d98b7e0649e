/**
 * The sheet of an OpenDocument spreadsheet (ISO/IEC 26300) with the most rows, as rows of text. What is repeated is written once in the file:
 * of nothing any number is repeated, and takes no room here.
 */
import { fail, ok, type Result } from '@low-quarry/core/result';
import type { Sheet } from './readXlsx';
import { numberText } from './readXlsx';
import { SheetRows } from './SheetRows';
import { readXml, type Unpacked } from './unpack';

export const ODS_FILES = /^content\.xml$/;

/** @param most rows; a longer sheet is refused */
export function readOds(files: Unpacked, most: number): Result<Sheet, string> {
  const content = files.get('content.xml');
  if (!content) return fail('It holds no sheet. Save the list as CSV, and bring that in.');
  const sheets: { name: string; rows: SheetRows }[] = [];
  let at = { row: 0, column: 0, rowTimes: 1 };
  let cell: { value: string | null; text: string[]; times: number; isPart: boolean } | null = null;
  let depth = 0;
  readXml(content, {
    open: (name, attributes) => {
      if (name === 'table:table') {
        sheets.push({ name: attributes['table:name'] ?? '', rows: new SheetRows(most) });
        at = { row: 0, column: 0, rowTimes: 1 };
      }
      if (name === 'table:table-row')
        at = { ...at, column: 0, rowTimes: times(attributes['table:number-rows-repeated']) };
      if (name === 'table:table-cell' || name === 'table:covered-table-cell')
        cell = {
          value: keptValue(attributes),
          text: [],
          times: times(attributes['table:number-columns-repeated']),
          isPart: false,
        };
      if (name === 'office:annotation') depth++;
      if (name === 'text:p' && cell && depth === 0) cell.text.push('');
      if (name === 'text:s' && cell && depth === 0) append(cell.text, ' ');
    },
    close: (name) => {
      if (name === 'office:annotation') depth--;
      if (name === 'table:table-row') at = { ...at, row: at.row + at.rowTimes };
      if (!cell || !name.endsWith('table-cell')) return;
      const text = cell.value ?? cell.text.join(' ');
      if (text.trim() !== '')
        for (let row = at.row; row < at.row + at.rowTimes; row++)
          for (let column = at.column; column < Math.min(at.column + cell.times, at.column + MOST_REPEATED); column++)
            sheets.at(-1)?.rows.put(row, column, text);
      at = { ...at, column: at.column + cell.times };
      cell = null;
    },
    text: (more) => {
      if (cell && depth === 0 && cell.text.length > 0) append(cell.text, more);
    },
  });
  const filled = sheets.filter(({ rows }) => rows.count > 0);
  const [largest] = filled.toSorted((a, b) => b.rows.count - a.rows.count);
  if (!largest) return fail('Nothing was read: its sheets are empty.');
  return ok({ name: largest.name, table: largest.rows.table(), others: filled.length - 1 });
}

/** Of something, so many times beside one another are no list. */
const MOST_REPEATED = 200;

function times(text: string | undefined): number {
  const number = Number(text ?? 1);
  return Number.isInteger(number) && number > 0 ? number : 1;
}

/** A number or a day as it is, whatever is shown of it; null for text. */
function keptValue(attributes: Readonly<Record<string, string>>): string | null {
  switch (attributes['office:value-type']) {
    case 'float':
    case 'currency':
    case 'percentage':
      return numberText(attributes['office:value'] ?? '');
    case 'date':
      return (attributes['office:date-value'] ?? '').slice(0, 10);
    case 'boolean':
      return attributes['office:boolean-value'] === 'true' ? 'yes' : 'no';
    default:
      return null;
  }
}

function append(texts: string[], more: string): void {
  texts[texts.length - 1] = `${texts.at(-1) ?? ''}${more}`;
}
