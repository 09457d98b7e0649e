import { describe, expect, test } from '@jest/globals';
import { fuzzed } from '@low-quarry/core/testing/fuzzed';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { readTable } from './readTable';

const MOST = 1000;
const read = (file: string | Buffer) => readTable(Buffer.from(file as string), MOST);
const table = (file: string | Buffer) => {
  const found = read(file);
  if (!found.ok) throw new Error(found.failure);
  return found.value.table;
};

// RFC 4180, section 2, rule by rule.
describe('RFC 4180', () => {
  test.each([
    ['1: each record on a line of its own', 'aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n'],
    ['2: the last line may have no break', 'aaa,bbb,ccc\r\nzzz,yyy,xxx'],
    ['5: fields may be quoted', '"aaa","bbb","ccc"\r\nzzz,yyy,xxx'],
  ])('%s', (_, text) => {
    expect(table(text)).toEqual([
      ['aaa', 'bbb', 'ccc'],
      ['zzz', 'yyy', 'xxx'],
    ]);
  });

  test('4: spaces are part of a field', () => {
    expect(table('aaa, b ,ccc\r\n1,2,3')[0]).toEqual(['aaa', ' b ', 'ccc']);
  });

  test('6: breaks, quotes and commas stand within quotes', () => {
    expect(table('"aaa","b\r\nbb","c,cc"\r\nzzz,yyy,xxx')[0]).toEqual(['aaa', 'b\r\nbb', 'c,cc']);
  });

  test('7: a quote within quotes is two', () => {
    expect(table('"aaa","b""bb","ccc"\r\n1,2,3')[0]).toEqual(['aaa', 'b"bb', 'ccc']);
  });

  test('whatever another writer writes is read again', () => {
    const cell = fc.string({ maxLength: 12 }).filter((text) => !text.includes('\0'));
    const rows = fc.array(fc.tuple(fc.constant('x'), cell, fc.constant('y')), { minLength: 1, maxLength: 20 });
    fc.assert(
      fc.property(rows, fc.constantFrom(',', ';', '\t'), (given, delimiter) => {
        const found = read(stringify(given, { delimiter, record_delimiter: '\r\n', quoted: true }));
        expect(found.ok ? found.value : found.failure).toMatchObject({ table: given, delimiter });
      }),
      fuzzed(300),
    );
  });
});

describe('as people write it', () => {
  test.each([
    [';', 'a;1,5;x\nb;2,5;y'],
    ['\t', 'a\t1,5\tx\nb\t2,5\ty'],
    ['|', 'a|1,5|x\nb|2,5|y'],
    [',', 'a,"1;5;7",x\nb,2,y'],
  ])('parted by %j', (delimiter, text) => {
    const found = read(text);
    expect(found.ok && found.value.delimiter).toBe(delimiter);
  });

  test('rows may be of any length, and an empty one keeps its place', () => {
    expect(table('a,b,c\n\nd\ne,f,g,h')).toEqual([['a', 'b', 'c'], [''], ['d'], ['e', 'f', 'g', 'h']]);
  });

  test.each([
    ['UTF-8', Buffer.from('Preis;Stück\n1;2', 'utf8')],
    ['UTF-8', Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), Buffer.from('Preis;Stück\n1;2', 'utf8')])],
    ['Windows-1252', Buffer.from('Preis;Stück\n1;2', 'latin1')],
    ['UTF-16', Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('Preis;Stück\n1;2', 'utf16le')])],
  ])('in %s', (encoding, file) => {
    const found = read(file);
    expect(found.ok ? found.value : found.failure).toMatchObject({
      readAs: `${encoding}, cells parted by “;”`,
      table: [
        ['Preis', 'Stück'],
        ['1', '2'],
      ],
    });
  });
});

describe('what is no list is refused, with what would do', () => {
  test.each([
    ['a broken spreadsheet', Buffer.from('504b030414000600', 'hex'), 'It begins as a spreadsheet and is broken'],
    ['an old one', Buffer.from('d0cf11e0a1b11ae1', 'hex'), 'a spreadsheet of an old kind (XLS)'],
    ['a renamed PDF', Buffer.from('%PDF-1.7'), 'It is a PDF'],
    ['nothing', Buffer.from(' \n '), 'Nothing was read'],
    ['bytes', Buffer.from('a;b\0c'), 'bytes that no text has'],
    ['a quote that never ends', Buffer.from('a,b\n"c,d\ne,f'), 'It cannot be read as a list'],
    ['more rows than are read', Buffer.from('a,b\n'.repeat(MOST + 1)), 'More than 1,000 rows were read'],
  ])('%s', (_, file, words) => {
    const found = read(file);
    expect(found.ok ? '' : found.failure).toContain(words);
  });

  test('no bytes make it throw', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        expect(typeof readTable(Buffer.from(bytes), MOST).ok).toBe('boolean');
      }),
      fuzzed(300),
    );
  });
});
