import { describe, expect, test } from '@jest/globals';
import type { Offer } from '../catalogue';
import { offered, PLAINLY_NAMED } from '../testing/offers';
import { guessColumns, type ListColumn, planOffers, readList, type Table } from './index';
import type { OfferedPart } from './planOffers';

const rows = (text: string): Table =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()));

const LIST = rows(`
  Quayside Trade      | valid from March |      |           |        |       |
  Art.-Nr.            | Bezeichnung      | VPE  | UVP       | Netto  | Bestand | Lieferzeit
  QT-1                | Wrackline Shoal 65 | Paar | 129,00  | 89,00  | 12    | 2-4 Tage
  QT-2                | Wrackline Shoal 52 | 2    | 99,00   | 1.069,00 | >10 | 1 Woche
`);
const GIVEN = { of: 'speaker', headRows: 2, ownCurrency: 'EUR', units: [], depthDatum: 'notStated' } as const;

describe('columns', () => {
  test('are known by the words above them, in more than one language; what others are to pay is no price', () => {
    expect(guessColumns(LIST)).toMatchObject({
      headRows: 2,
      columns: ['number', 'name', 'packSize', null, 'price', 'stock', 'leadDays'],
    });
  });

  test('a heading over two rows is read as one', () => {
    const table = rows(`
      Supplier's | Maker's |       | Dealer
      number     | number  | Brand | price
      A-1        | W-65    | Orvane | 12.50
    `);
    expect(guessColumns(table)).toMatchObject({ headRows: 2, columns: ['number', 'makersNumber', 'maker', 'price'] });
  });

  test('without words amounts with decimals are prices, and what is another in every row is a number', () => {
    const table = rows(`
      Speaker | A-1 | 12.50
      Speaker | A-2 | 9.90
      Ring    | A-3 | 4.00
    `);
    expect(guessColumns(table)).toMatchObject({ headRows: 0, columns: [null, 'number', 'price'] });
  });

  test('of an empty table there are none', () => {
    expect(guessColumns([])).toMatchObject({ headRows: 0, columns: [] });
  });
});

describe('rows', () => {
  const read = (table: Table, columns = guessColumns(table).columns) => readList(table, { ...GIVEN, columns });

  test('say what their cells mean', () => {
    const { rows: found, findings } = read(LIST);
    expect(findings).toEqual([]);
    expect(found).toMatchObject([
      { line: 3, number: 'QT-1', packSize: 2, packPriceMinor: 8900, currency: null, stockPieces: 12, leadDays: 4 },
      { line: 4, number: 'QT-2', packSize: 2, packPriceMinor: 106900, stockPieces: 10, leadDays: 5 },
    ]);
  });

  const broken = (line: string) => {
    const table = [...LIST.slice(0, 2), ...rows(line), ...LIST.slice(2)];
    const { rows: found, findings } = read(table);
    expect(found.map(({ number }) => number)).toEqual(['QT-1', 'QT-2']);
    return findings.map(({ grade, line: at, column, message }) => `${grade} ${at}.${column} ${message}`);
  };

  test.each([
    ['QT-9 | Shoal | a few | | 12,00 | | ', 'error 3.2 “a few” was read. How many pieces, such as 2, would do.'],
    ['QT-9 | Shoal | 2 | | call us! | | ', 'error 3.4 “call us!” was read. An amount such as 12.50 would do.'],
    ['4,01E+12 | Shoal | 2 | | 12,00 | | ', 'error 3.0 “4,01E+12” was read: a spreadsheet shortened a long number'],
    [' | | 2 | | 12,00 | | ', 'error 3.null Neither a number nor a name was read'],
  ])('%s stays out, by the cell and what would do', (line, words) => {
    expect(broken(line)).toEqual([expect.stringContaining(words)]);
  });

  test('what stands twice and says the same is taken once; what does not is nobody’s', () => {
    const again = read([...LIST, LIST[2] as string[]]);
    expect(again.rows).toHaveLength(2);
    expect(again.findings).toMatchObject([
      { grade: 'note', line: 5, message: 'The same stands in row 3: it is taken once.' },
    ]);
    const other = read([...LIST, rows('qt-1 | Shoal | 2 | | 88,00 | |')[0] as string[]]);
    expect(other.rows.map(({ number }) => number)).toEqual(['QT-2']);
    expect(other.findings.map(({ grade, line }) => [grade, line])).toEqual([
      ['error', 3],
      ['error', 5],
    ]);
  });

  test('a currency of the row stands before the one of the shop, and the shop’s own is none', () => {
    const columns: ListColumn[] = ['number', 'price', 'currency'];
    const table = [
      ...LIST.slice(0, 2),
      ['A', '1,50', 'usd'],
      ['B', '$ 1,50', ''],
      ['C', '1,50', 'EUR'],
      ['D', '1,50', 'euros'],
    ];
    const { rows: found, findings } = readList(table, { ...GIVEN, columns });
    expect(found.map(({ currency }) => currency)).toEqual(['USD', 'USD', null]);
    expect(findings).toMatchObject([{ line: 6, column: 2 }]);
  });
});

describe('a plan', () => {
  const offers = (changes: Partial<Offer>, price = 8900) => [
    ...offered(2, price, { supplier: 'Quayside Trade', ...changes }),
  ];
  const part = (id: string, name: string, changes: Partial<OfferedPart> = {}): OfferedPart => ({
    ...{ id, name, maker: 'Wrackline', ...PLAINLY_NAMED, offers: [] },
    ...changes,
  });
  const plan = (table: Table, parts: readonly OfferedPart[], withDoubts = false) => {
    const list = readList(table, { ...guessColumns(table), ownCurrency: 'EUR' });
    return planOffers(list, { supplier: 'quayside trade', parts, day: '2026-11-28', withDoubts });
  };
  const list = (...lines: readonly string[]) => rows(['Number | Name | Price | Pack', ...lines].join('\n'));

  test('changes what the list says of an offer, and nothing else of it', () => {
    const other = offered(1, 500, { supplier: 'Hillfoot', number: 'QT-1' })[0];
    const known = part('s', 'Shoal 65', { offers: [...offers({ number: 'qt-1', leadDays: 7, leastPacks: 3 }), other] });
    const { changes, changed, priceRatio } = plan(list('QT-1 | anything | 93.45 | '), [known]);
    expect(changes.get('s')).toEqual([{ ...known.offers[0], packPriceMinor: 9345 }, other]);
    // 93.45 over 89.00, worked by hand.
    expect([changed, priceRatio]).toEqual([1, 1.05]);
  });

  test.each<[string, Partial<OfferedPart>, string]>([
    ['maker and name in one cell', {}, 'X-1 | WRACKLINE shoal-65 | 9.90 | 2'],
    ['another of its names', { aliases: ['Shoal six'] }, 'X-1 | wrackline Shoal Six | 9.90 | 2'],
  ])('leads a row to its part by %s', (_, changes, line) => {
    const { changes: found, added } = plan(list(line), [part('s', 'Shoal 65', changes), part('t', 'Shoal 52')]);
    expect([...found.keys(), added]).toEqual(['s', 1]);
    expect(found.get('s')).toEqual(offers({ number: 'X-1', supplier: 'quayside trade' }, 990));
  });

  test('by the maker’s number, and of two makers by who makes it', () => {
    const table = rows('Number | MPN | Brand | Price\nX-1 | W65 | Orvane | 9.90');
    const parts = [part('a', 'One', { number: 'W-65' }), part('b', 'Two', { number: 'W65', maker: 'Orvane' })];
    expect([...plan(table, parts).changes.keys()]).toEqual(['b']);
  });

  test('fills in the number of an offer whose number nobody had written down', () => {
    const known = part('s', 'Shoal 65', { offers: offers({}) });
    const { changes, added, changed } = plan(list('X-1 | Wrackline Shoal 65 | 89.00 | 2'), [known]);
    expect([added, changed, changes.get('s')]).toEqual([0, 1, offers({ number: 'X-1' })]);
  });

  test('names what no part is known for, what is called alike, and what is not in the list', () => {
    const twins = [part('a', 'Shoal 65'), part('b', 'Shoal 6.5')];
    const sold = part('c', 'Shoal 52', { offers: offers({ number: 'QT-7' }) });
    const { unknown, findings, gone, changes, keptOut } = plan(
      list('X-1 | Wrackline Shoal 65 | 9.90 |', 'X-2 | Nobody knows it | 9.90 |'),
      [...twins, sold],
    );
    expect(unknown).toMatchObject([{ line: 3, number: 'X-2' }]);
    expect(findings).toMatchObject([
      { grade: 'error', line: 2, message: expect.stringContaining('2 parts are called so') },
    ]);
    expect([gone, changes.size, keptOut]).toEqual([1, 0, [2]]);
  });

  test('a price that lost its decimal sign waits until somebody says that it is right', () => {
    const known = part('s', 'Shoal 65', { offers: offers({ number: 'QT-1' }) });
    const table = list('QT-1 | Shoal | 8900 |');
    const waiting = plan(table, [known]);
    expect([waiting.changes.size, waiting.keptOut]).toEqual([0, [2]]);
    expect(waiting.findings).toMatchObject([
      { grade: 'doubt', message: expect.stringContaining('was 89.00 and would be 8900.00: 100 times as much a piece') },
    ]);
    const taken = plan(table, [known], true);
    expect(taken.changes.get('s')).toEqual(offers({ number: 'QT-1' }, 890_000));
    expect(taken.keptOut).toEqual([]);
    expect(plan(list('QT-1 | Shoal | 0.89 |'), [known]).findings).toMatchObject([
      { message: expect.stringContaining('was 89.00 and would be 0.89: 1/100 of it a piece') },
    ]);
    // A smaller pack for less is no doubt: 89.00 for two, 50.00 for one.
    expect(plan(list('QT-1 | Shoal | 50.00 | 1'), [known]).findings).toEqual([]);
  });

  test('an offer whose row stays out is not gone', () => {
    const sold = ['QT-1', 'QT-2'].map((number) => part(number, number, { offers: offers({ number }) }));
    expect(plan(list('QT-1 | Shoal | 9.90 | a few'), sold)).toMatchObject({ gone: 1, keptOut: [2] });
  });

  test('the same list again changes nothing', () => {
    const known = part('s', 'Shoal 65', { offers: offers({ number: 'QT-1' }) });
    expect(plan(list('QT-1 | Shoal | 89.00 | 2'), [known])).toMatchObject({ added: 0, changed: 0, same: 1, gone: 0 });
  });
});
