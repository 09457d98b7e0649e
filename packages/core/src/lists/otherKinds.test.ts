/** Lists of brackets, leads and small parts: what their cells mean, what is lacking, and what the shop changed stays. */
import { describe, expect, test } from '@jest/globals';
import type { PartKind, PartRecord } from '../catalogue';
import { guessColumns, planClaims, planOffers, planParts, readList, type Table } from './index';
import type { FitsVehicle } from './readFits';

const CONNECTORS = new Map([
  ['con-f4', 'con-f4'],
  ['4-way flat, latch below', 'con-f4'],
]);

function plan(table: Table, parts: readonly PartRecord[] = [], of: PartKind | null = null) {
  const guessed = guessColumns(table, of);
  const list = readList(table, { ...guessed, ownCurrency: 'EUR' });
  const given = { supplier: 'Quayside', parts, day: '2031-05-01' };
  const offers = planOffers(list, { ...given, withDoubts: false });
  const planned = planParts(offers, {
    ...{ ...given, of: guessed.of, takenIds: new Set(parts.map(({ id }) => id)), connectors: CONNECTORS },
    ...{ columns: guessed.columns, withDoubted: false },
  });
  return { guessed, list, offers, ...planned };
}
const messages = ({ list, findings }: ReturnType<typeof plan>) =>
  [...list.findings, ...findings].map(({ line, message }) => `${line}: ${message}`);

const BRACKETS: Table = [
  ['Adapter brackets, spring'],
  [
    'Art. no.',
    'Brand',
    'Description',
    'Stack height',
    'Opening (in)',
    'Outside diameter',
    'Holes to the vehicle',
    'Holes to the speaker',
    'Net',
  ],
  [
    'B-1',
    'Kelpstone',
    'Plate A',
    '18 mm',
    '5-1/2',
    '170',
    '4 holes 5 on 160 mm',
    'slots 4.5 × 9 at the corners of 120 × 120 mm',
    '9,90',
  ],
  [
    'B-2',
    'Kelpstone',
    'Plate B',
    '1,5 cm',
    '142 mm',
    '6.5"',
    '3 holes on 150 mm, first at 90°',
    '4 holes on 156 mm',
    '12,50',
  ],
];

describe('a list of brackets', () => {
  test('is known by its headings, and its units are of the file, the column or the cell', () => {
    const { guessed, added, list } = plan(BRACKETS);
    expect(guessed).toMatchObject({ of: 'bracket', headRows: 2 });
    expect(list.units.filter(Boolean)).toEqual(['mm', 'in', 'mm']);
    expect(added).toMatchObject([
      {
        ...{
          kind: 'bracket',
          id: 'brk-kelpstone-plate-a',
          heightMm: 18,
          throat: { kind: 'circle', diameterMm: 139.7 },
        },
        ...{ vehicleBolts: { shape: { kind: 'circle', count: 4, diameterMm: 160 } }, earMm: null, snapOffs: [] },
        listed: { supplier: 'Quayside', asOf: '2031-05-01', fields: { heightMm: 18 } },
        offers: [{ number: 'B-1', packPriceMinor: 990 }],
      },
      { heightMm: 15, throat: { diameterMm: 142 }, plate: { diameterMm: 165.1 } },
    ]);
  });

  test('whose cells cannot be read says at each what would do, and the row stays out', () => {
    const [title, heads, row = []] = BRACKETS as [string[], string[], string[]];
    const bad = row.map((cell, at) => (at === 0 ? 'B-3' : at === 3 ? 'high' : at === 6 ? '4 × 160' : cell));
    const planned = plan([title, heads, row, bad]);
    expect(planned.added).toHaveLength(1);
    expect(messages(planned)).toEqual([
      '4: “high” was read. A length such as 60, 6,5 cm or 2-3/8" would do.',
      '4: “4 × 160” was read. Words such as “4 holes 5 on 156 mm, first at 45°” would do.',
    ]);
  });

  test('that leaves out what a bracket has to have says which, and what would do', () => {
    const without = BRACKETS.map((row) => row.filter((_, at) => at !== 5));
    const planned = plan(without);
    expect(planned).toMatchObject({ added: [], keptOut: [3, 4] });
    expect(messages(planned)[0]).toBe(
      '3: Plate: nothing was read, and no column says it: a bracket has one. A length such as 60, 6,5 cm or 2-3/8" would do.',
    );
  });

  test('a figure that no bracket has is refused at its cell', () => {
    const [title, heads, row = []] = BRACKETS as [string[], string[], string[]];
    const planned = plan([title, heads, row.map((cell, at) => (at === 3 ? '500 mm' : cell))]);
    expect(planned.findings).toMatchObject([{ grade: 'error', line: 3, column: 3 }]);
    expect(messages(planned)[0]).toMatch(/^3: Height: .*120/);
  });

  test('changes what changed, and leaves what the shop put in its place', () => {
    const { added } = plan(BRACKETS);
    const [a, b] = added as [PartRecord, PartRecord];
    // The shop measured one of them.
    const measured = { ...a, heightMm: 17.6 } as PartRecord;
    const next = BRACKETS.map((row) => row.map((cell) => ({ '18 mm': '18.5 mm', '1,5 cm': '16' })[cell] ?? cell));
    const planned = plan(next, [measured, b]);
    expect(planned.changed).toMatchObject([
      { id: a.id, heightMm: 17.6, listed: { fields: { heightMm: 18.5 } } },
      { id: b.id, heightMm: 16 },
    ]);
    expect(messages(planned)).toEqual([
      '3: Kelpstone Plate A: the list has another height than the library, which stays.',
    ]);
  });
});

describe('a list of leads', () => {
  const LEADS: Table = [
    ['No.', 'Maker', 'Name', 'From the plug', 'To', 'Length, cm', 'Price'],
    ['L-1', 'Loomgate', 'Lead 1', '4-way flat, latch below', 'spades 2.8 + 4.8', '25', '3.20'],
    ['L-2', 'Loomgate', 'Lead 2', 'CON-F4', 'Bare ends', '0.3 m', '3.20'],
    ['L-3', 'Loomgate', 'Lead 3', 'con-nobody', 'bare ends', '25', '3.20'],
  ];

  test('names its connectors by id or by name; one that is nobody’s keeps its row out', () => {
    const planned = plan(LEADS);
    expect(planned.guessed.of).toBe('harnessAdapter');
    expect(planned.added).toMatchObject([
      { fromConnectorId: 'con-f4', to: { kind: 'terminals', terminals: 'spades 2.8 + 4.8' }, lengthMm: 250 },
      { fromConnectorId: 'con-f4', to: { kind: 'terminals', terminals: 'bare ends' }, lengthMm: 300 },
    ]);
    expect(planned.findings).toMatchObject([
      {
        grade: 'error',
        line: 4,
        column: 3,
        message: expect.stringMatching(/^“con-nobody” was read, and no connector/),
      },
    ]);
  });
});

describe('lists of small parts', () => {
  test.each<[PartKind, Table, readonly object[]]>([
    [
      'wire',
      [
        ['Artikel', 'Hersteller', 'Bezeichnung', 'Adern', 'Querschnitt (mm²)', 'Länge (m)', 'EK'],
        ['W1', 'Generic', 'Twin 2,5', '2', '2,5', '10', '14,00'],
        ['W2', 'Generic', 'Twin gauge 16', '2', '16 AWG', '25', '24,00'],
      ],
      [
        { conductors: 2, areaMm2: 2.5, lengthM: 10 },
        { conductors: 2, areaMm2: 1.31, lengthM: 25 },
      ],
    ],
    [
      'fuse',
      [
        ['Code', 'Make', 'Name', 'Type', 'Rating', 'Price'],
        ['F1', 'Generic', 'Blade fuse 30', 'blade', '30 A', '0.50'],
      ],
      [{ type: 'blade', ampere: 30 }],
    ],
    [
      'capacitor',
      [
        ['Code', 'Make', 'Name', 'Type', 'Capacitance', 'Tolerance', 'Voltage', 'Price'],
        ['C1', 'Generic', 'Cap 100', 'Bipolar electrolytic', '100 uF', '±10 %', '50V', '0.80'],
      ],
      [{ type: 'bipolar electrolytic', microfarad: 100, tolerancePercent: 10, volt: 50 }],
    ],
    [
      'fastener',
      [
        ['Code', 'Make', 'Name', 'Type', 'Diameter', 'Length', 'Head', 'Drive', 'Price'],
        ['S1', 'Generic', 'Screws 4.2 x 16', 'Tapping screw', '4.2', '5/8"', 'Pan', 'PH2', '0.80'],
        ['S2', 'Generic', 'Rivet nut M5', 'rivet-nut', '5', '-', 'none', '', '0.30'],
      ],
      [
        { type: 'tappingScrew', diameterMm: 4.2, lengthMm: 15.88, head: 'pan', driver: 'PH2' },
        { type: 'rivetNut', lengthMm: null, head: 'none', driver: '' },
      ],
    ],
  ])('%s', (kind, table, records) => {
    const planned = plan(table);
    expect([planned.guessed.of, messages(planned)]).toEqual([kind, []]);
    expect(planned.added).toMatchObject(records);
  });
});

describe('a list of several kinds', () => {
  const MIXED: Table = [
    ['No.', 'Maker', 'Name', 'Kind of part', 'Height', 'Inside', 'Outside', 'Price'],
    ['R-1', 'Kelpstone', 'Ring 10', 'Spacers', '10', '142', '170', '4.00'],
    ['R-2', 'Kelpstone', 'Ring 20', 'spacer', '20', '142', '170', '5.00'],
    ['B-1', 'Kelpstone', 'Plate A', 'Bracket', '18', '142', '170', '9.00'],
    ['X-1', 'Kelpstone', 'Thing', 'Gadget', '18', '142', '170', '9.00'],
  ];

  test('is of the one that most rows are of; of the others the offer alone is read', () => {
    const planned = plan(MIXED);
    expect(planned.guessed.of).toBe('spacer');
    expect(planned.added.map(({ name }) => name)).toEqual(['Ring 10', 'Ring 20']);
    expect(planned.unknown.map(({ name }) => name)).toEqual(['Plate A', 'Thing']);
    expect(messages(planned)).toEqual([
      '5: “Gadget” was read, no kind of part that is known here: its figures were left aside.',
    ]);
  });

  test('is of another where somebody says so', () => {
    const planned = plan(MIXED, [], 'bracket');
    expect(planned.added).toEqual([]);
    expect(planned.keptOut).toEqual([4]);
  });
});

describe('cars that parts are said to fit', () => {
  const skiff: FitsVehicle = {
    ...{ id: 'tollan-skiff', make: 'Tollan', model: 'Skiff', aliases: [], years: { from: 2014, to: 2019 } },
    ...{ body: 'estate', cab: null, trim: '', audioPackage: '', market: '' },
  };
  const HEADS = ['No.', 'Maker', 'Name', 'Height', 'Inside', 'Outside', 'Fits', 'Price'];
  const ring = (no: string, fits: string) => [no, 'Kelpstone', `Ring ${no}`, '10', '142', '170', fits, '4.00'];
  const claimsOf = (planned: ReturnType<typeof plan>, claims: PartRecord['claims'] = []) =>
    planClaims(
      planned.added.flatMap((part) => {
        const row = planned.rows.get(part.id);
        return row ? [{ row, part: { ...part, claims } }] : [];
      }),
      { supplier: 'Quayside', vehicles: [skiff], notedBy: 'Okke', day: '2031-05-01', column: 6 },
    );

  test('are claims of the list; those that are not in the library are counted, what is not understood is told', () => {
    const planned = plan([
      HEADS,
      ring('R-1', 'Tollan Skiff 2015-2018, front door; Marl Barge 2011>'),
      ring('R-2', 'Tollan Skiff with sunroof'),
    ]);
    const claims = claimsOf(planned);
    expect(claims).toMatchObject({ added: 1, elsewhere: 1 });
    expect([...claims.changes.values()]).toEqual([
      [
        {
          ...{ vehicleId: 'tollan-skiff', place: 'frontDoorLow', says: 'fits', by: 'Quayside’s list' },
          ...{ notedBy: 'Okke', on: '2031-05-01' },
        },
      ],
    ]);
    expect(claims.findings).toMatchObject([{ grade: 'note', line: 3, column: 6 }]);
    // The same list again claims nothing new.
    expect(claimsOf(planned, [...claims.changes.values()].flat()).added).toBe(0);
  });

  test('may have a row each: the part is one, and so is its offer', () => {
    const planned = plan([
      HEADS,
      ring('R-1', 'Tollan Skiff'),
      ring('R-1', 'Tollan Skiff, rear door'),
      ring('R-1', 'Tollan Skiff'),
    ]);
    expect(planned.added).toHaveLength(1);
    expect(claimsOf(planned).added).toBe(2);
    expect(messages(planned)).toEqual(['4: The same stands in row 2: it is taken once.']);
  });
});
