/** Spreadsheets as others write them: gnumeric's `ssconvert` for what is ordinary, by hand for what it does not write. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { fuzzed } from '@low-quarry/core/testing/fuzzed';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { type ReadTable, readTable } from './readTable';

const MOST = 1000;
const dir = mkdtempSync(path.join(tmpdir(), 'low-quarry-sheets-'));
afterAll(() => rmSync(dir, { recursive: true }));

const read = (file: Uint8Array) => {
  const found = readTable(Buffer.from(file), MOST);
  return found.ok ? found.value : found.failure;
};
/** Rows as another program writes them. */
function written(rows: readonly (readonly string[])[], format: 'xlsx' | 'ods'): Buffer {
  const [from, to] = [path.join(dir, 'from.csv'), path.join(dir, `to.${format}`)];
  writeFileSync(from, stringify(rows.map((row) => [...row])));
  execFileSync('ssconvert', [from, to], { stdio: 'ignore' });
  return readFileSync(to);
}

describe.each(['xlsx', 'ods'] as const)('as gnumeric writes %s', (format) => {
  test('every cell is what it was, numbers and words, and rows without anything keep their place', () => {
    const rows = [
      ['Number', 'Name', 'Depth', 'Price'],
      ['Q-1', 'Shoal 6½ “<&>”', '61.5', '89.9'],
      [],
      ['Q-2', '  two  blanks', '1234.125', 'n/a'],
      ['Q-3', '', '', '7'],
    ];
    const found = read(written(rows, format)) as ReadTable;
    const tidy = (row: readonly string[] | undefined) => row?.map((cell) => cell.replace(/ +/g, ' ').trim());
    expect(found.table.map(tidy)).toEqual([
      rows[0],
      rows[1],
      [],
      // A point with three figures behind it is no sign for thousands.
      ['Q-2', 'two blanks', '1234.1250', 'n/a'],
      ['Q-3', '', '', '7'],
    ]);
    expect(found.readAs).toBe(`${format.toUpperCase()}, sheet “from.csv”`);
  });

  test('a number that was taken for a day is a day, and no number', () => {
    const found = read(
      written(
        [
          ['Number', 'Name'],
          ['2031-03-03', 'Shoal'],
        ],
        format,
      ),
    ) as ReadTable;
    expect(found.table[1]).toEqual(['2031-03-03', 'Shoal']);
  });

  test('more rows than are read are refused', () => {
    const rows = Array.from({ length: MOST + 1 }, (_, at) => [String(at), 'x']);
    expect(read(written(rows, format))).toBe('More than 1,000 rows were read. Part the list into several files.');
  });

  test('a file that is cut off, or of which a byte is another, is read or refused, and nothing is thrown', () => {
    const whole = written(
      [
        ['a', 'b'],
        ['1', '2'],
      ],
      format,
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: whole.length - 1 }),
        fc.integer({ min: 0, max: 255 }),
        fc.boolean(),
        (at, byte, isCut) => {
          const broken = Buffer.from(isCut ? whole.subarray(0, at) : whole);
          if (!isCut) broken[at] = byte;
          expect(['string', 'object']).toContain(typeof read(broken));
        },
      ),
      fuzzed(700),
    );
  });
});

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>';
/** A workbook of these sheets; `cells` is the inside of a sheet's data. */
function workbook(
  sheets: readonly (readonly [string, string])[],
  others: Record<string, string> = {},
  isFrom1904 = false,
): Uint8Array {
  const list = sheets.map(([name], at) => `<sheet name="${name}" sheetId="${at + 1}" r:id="r${at}"/>`).join('');
  const relations = sheets.map((_, at) => `<Relationship Id="r${at}" Target="worksheets/s${at}.xml"/>`).join('');
  const files: Record<string, string> = {
    'xl/workbook.xml': `${HEAD}<workbook>${isFrom1904 ? '<workbookPr date1904="1"/>' : ''}<sheets>${list}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${HEAD}<Relationships>${relations}</Relationships>`,
    ...Object.fromEntries(
      sheets.map(([, cells], at) => [
        `xl/worksheets/s${at}.xml`,
        `${HEAD}<worksheet><sheetData>${cells}</sheetData></worksheet>`,
      ]),
    ),
    ...others,
  };
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
}
const row = (r: number, ...cells: readonly string[]) => `<row r="${r}">${cells.join('')}</row>`;

describe('a workbook of which', () => {
  test('the sheet with the most rows is read, and the others are said', () => {
    const one = row(1, '<c r="A1" t="inlineStr"><is><t>alone</t></is></c>');
    const two = row(1, '<c r="B1"><v>1</v></c>') + row(3, '<c r="A3"><v>0.30000000000000004</v></c>');
    expect(
      read(
        workbook([
          ['Cover', one],
          ['Prices', two],
          ['Empty', ''],
        ]),
      ),
    ).toMatchObject({
      readAs: 'XLSX, sheet “Prices”; 1 more sheet was not read',
      table: [['', '1'], [], ['0.3']],
    });
    expect(read(workbook([['Empty', '']]))).toBe('Nothing was read: its sheets are empty.');
  });

  test('days are told by their style, since 1900 or 1904, and plain numbers stay numbers', () => {
    const styles = `${HEAD}<styleSheet><numFmts><numFmt numFmtId="164" formatCode="dd/mm/yyyy"/><numFmt numFmtId="165" formatCode="0.0&quot; mm&quot;"/></numFmts><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="164"/><xf numFmtId="165"/></cellXfs></styleSheet>`;
    const cells = row(1, ...[0, 1, 2, 3].map((style) => `<c s="${style}"><v>45000</v></c>`));
    // Day 45,000 is the 15th of March 2023 (ECMA-376, part 1, 18.17.4.1: day 1 is the first of 1900, and 1900 counts as a leap year).
    expect(read(workbook([['S', cells]], { 'xl/styles.xml': styles }))).toMatchObject({
      table: [['45000', '2023-03-15', '2023-03-15', '45000']],
    });
    expect(read(workbook([['S', cells]], { 'xl/styles.xml': styles }, true))).toMatchObject({
      table: [['45000', '2027-03-16', '2027-03-16', '45000']],
    });
  });

  test('a formula is the value that was kept with it, and one without is no value', () => {
    const cells = row(1, '<c><f>1+1</f><v>2</v></c>', '<c><f>A1*3</f></c>', '<c t="str"><f>A1</f><v>two</v></c>');
    expect(read(workbook([['S', cells]]))).toMatchObject({ table: [['2', '=?', 'two']] });
  });

  test('shared texts are whole, without how they are said aloud', () => {
    const strings = `${HEAD}<sst><si><r><t>Sho</t></r><r><t>al</t></r><rPh><t>x</t></rPh></si></sst>`;
    const cells = row(1, '<c t="s"><v>0</v></c>', '<c t="b"><v>1</v></c>');
    expect(read(workbook([['S', cells]], { 'xl/sharedStrings.xml': strings }))).toMatchObject({
      table: [['Shoal', 'yes']],
    });
  });
});

describe('what would fill the memory', () => {
  test('unpacked has a bound, whatever it says of itself', () => {
    const bomb = zipSync(
      { 'xl/workbook.xml': strToU8(HEAD), 'xl/worksheets/s.xml': new Uint8Array(161 * 1024 * 1024) },
      { level: 1 },
    );
    expect(bomb.length).toBeLessThan(4 * 1024 * 1024);
    expect(read(bomb)).toContain('Unpacked it has more than 160 MB');
  });

  test('no entity grows', () => {
    const grown = '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>';
    const cells = `${grown}<worksheet><sheetData>${row(1, '<c t="str"><v>&b;</v></c>')}</sheetData></worksheet>`;
    expect(read(workbook([['S', '']], { 'xl/worksheets/s0.xml': HEAD + cells }))).toContain('is broken');
  });

  test('nothing is repeated for nothing, and something not for ever', () => {
    const ods = (inside: string) =>
      zipSync({
        'content.xml': strToU8(
          `${HEAD}<office:spreadsheet><table:table table:name="S">${inside}</table:table></office:spreadsheet>`,
        ),
      });
    const cell = (text: string, repeated: number) =>
      `<table:table-cell table:number-columns-repeated="${repeated}"><text:p>${text}</text:p></table:table-cell>`;
    const nothing =
      '<table:table-row table:number-rows-repeated="1048576"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>';
    expect(read(ods(`<table:table-row>${cell('a', 1)}</table:table-row>${nothing}`))).toMatchObject({ table: [['a']] });
    const many = `<table:table-row table:number-rows-repeated="1048576">${cell('a', 1)}</table:table-row>`;
    expect(read(ods(many))).toContain('More than 1,000 rows');
    const wide = read(ods(`<table:table-row>${cell('a', 1_000_000)}</table:table-row>`)) as ReadTable;
    expect(wide.table[0]).toHaveLength(200);
  });

  test('a packed file that is no spreadsheet says so', () => {
    expect(read(zipSync({ 'a.txt': strToU8('x') }))).toBe(
      'It is a packed file, and no spreadsheet (XLSX or ODS) is in it.',
    );
  });
});
