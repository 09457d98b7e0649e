import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PartRecord, SpeakerRecord } from '../catalogue';
import { readLengthCell, readMassCell, readOutlineCell, readPowerCell } from '../cells';
import { ABOVE, dirtyList } from '../testing/dirtyList';
import { dirtySpeakers } from '../testing/dirtySpeakers';
import { guessColumns, planOffers, planParts, readList, type Table } from './index';
import {
  kindIn,
  readHolesCell,
  readOhmCell,
  readSensitivityCell,
  readSizeCell,
  readTerminalsCell,
  sizeIn,
} from './speakerCells';

describe('a cell', () => {
  test.each([
    ['60', 'mm', 60],
    ['6,5', 'cm', 65],
    ['2-3/8"', 'mm', 60.33],
    ['2 3/8', 'in', 60.33],
    ['2⅜″', 'mm', 60.33],
    ['Ø 142,5 mm', 'in', 142.5],
    ['ca. 60 mm (2.36 in)', 'mm', 60],
    ['5.25', 'in', 133.35],
    ['58-60', 'mm', 60],
    ['58 bis 60 mm', 'in', 60],
    ['0', 'mm', 0],
  ] as const)('%s in a column of %s is %f mm', (text, unit, mm) => {
    const read = readLengthCell(text, unit);
    expect(read.ok ? read.value.value : read.failure).toBe(mm);
  });

  test('of a range the larger counts, and that is said', () => {
    expect(readLengthCell('58-60 mm', 'mm')).toEqual({
      ok: true,
      value: { value: 60, note: '“58-60 mm” was read: of a range the larger counts, 60 mm.' },
    });
  });

  test.each(['deep', '600 m', '-5', '60 mm each', '1/0', '500', '12.5.1'])(
    '%s is no length, and says what would do',
    (text) => {
      const read = readLengthCell(text, 'mm');
      expect(read.ok ? read.value : read.failure).toMatch(/ was read.* would do\.$/);
    },
  );

  test.each<[string, object]>([
    ['142', { kind: 'circle', diameterMm: 142 }],
    ['152 x 218 mm', { kind: 'oval', lengthMm: 218, widthMm: 152 }],
    ['6 × 9"', { kind: 'oval', lengthMm: 228.6, widthMm: 152.4 }],
  ])('%s is the outline %j', (text, outline) => {
    const read = readOutlineCell(text, 'mm');
    expect(read.ok ? read.value.outline : read.failure).toEqual(outline);
  });

  test.each(['0', '1x2x3', 'x', 'wide'])('%s is no outline', (text) => {
    expect(readOutlineCell(text, 'mm').ok).toBe(false);
  });

  test.each([
    ['850', 'g', 850],
    ['0,85', 'kg', 850],
    ['1.2 kg', 'g', 1200],
    ['2 lb', 'g', 907.18],
  ] as const)('%s in a column of %s is %f g', (text, unit, grams) => {
    const read = readMassCell(text, unit);
    expect(read.ok ? read.value : read.failure).toBe(grams);
  });

  test.each<[string, 'RMS' | 'peak' | 'unstated', readonly object[] | null]>([
    ['60', 'RMS', [{ watt: 60, kind: 'RMS' }]],
    ['60 W', 'unstated', [{ watt: 60, kind: 'unstated' }]],
    ['60 W RMS', 'unstated', [{ watt: 60, kind: 'RMS' }]],
    ['RMS: 60 W', 'unstated', [{ watt: 60, kind: 'RMS' }]],
    ['max. 180W', 'RMS', null],
    ['180 W max', 'RMS', [{ watt: 180, kind: 'peak' }]],
    [
      '60/180 W',
      'unstated',
      [
        { watt: 60, kind: 'RMS' },
        { watt: 180, kind: 'peak' },
      ],
    ],
    ['20-60 W', 'RMS', [{ watt: 60, kind: 'range' }]],
    ['lots', 'RMS', null],
    ['0', 'RMS', null],
  ])('%s in a column of %s is %j', (text, kind, ratings) => {
    const read = readPowerCell(text, kind);
    expect(read.ok ? read.value : null).toEqual(ratings);
  });

  test.each<[string, object | null]>([
    ['90', { db: 90, at: 'notStated' }],
    ['90,5 dB', { db: 90.5, at: 'notStated' }],
    ['90 dB (2.83V/1m)', { db: 90, at: '2.83 V' }],
    ['88 dB 1W/1m', { db: 88, at: '1 W' }],
    ['9', null],
  ])('%s is the sensitivity %j', (text, value) => {
    const read = readSensitivityCell(text);
    expect(read.ok ? read.value : null).toEqual(value);
  });

  test.each([
    ['6.5"', '6.5 in'],
    ['6 1/2', '6.5 in'],
    ['6½ inch', '6.5 in'],
    ['16,5 cm', '6.5 in'],
    ['165 mm', '6.5 in'],
    ['130', '5.25 in'],
    ['5 1/4"', '5.25 in'],
    ['6x9', '6×9'],
    ['5x7', '6×8'],
    ['3/4"', '1 in'],
    ['25 mm', '1 in'],
  ])('%s is the size %s', (text, size) => {
    const read = readSizeCell(text);
    expect(read.ok ? read.value : read.failure).toBe(size);
  });

  test('a size that nobody has is none', () => {
    expect(readSizeCell('7"')).toMatchObject({
      ok: false,
      failure: expect.stringContaining('One of the sizes 1 in, 3.5 in'),
    });
  });

  test.each([
    ['Shoal 6.5 in coaxial', '6.5 in', 'coaxial'],
    ['Tide 6x9 3-Wege', '6×9', 'coaxial'],
    ['Reef 25 tweeter', null, 'tweeter'],
    ['Tarn 5¼" Tieftöner', '5.25 in', 'component woofer'],
    ['Tarn', null, null],
  ] as const)('of “%s” the size is %s and the kind %s', (name, size, kind) => {
    expect([sizeIn(name), kindIn(name)]).toEqual([size, kind]);
  });

  test('terminals, holes and ohms', () => {
    expect(readTerminalsCell('2,8 / 4,8 mm')).toEqual({ ok: true, value: 'spades 2.8 + 4.8' });
    expect(readTerminalsCell('screw').ok).toBe(false);
    expect([readHolesCell('4 x 5 mm'), readHolesCell('40').ok]).toEqual([{ ok: true, value: 4 }, false]);
    expect([readOhmCell('4 Ohm'), readOhmCell('4Ω'), readOhmCell('2x4').ok]).toEqual([
      { ok: true, value: 4 },
      { ok: true, value: 4 },
      false,
    ]);
  });

  test('no text makes a reader throw', () => {
    const readers = [readMassCell, readOutlineCell, readLengthCell] as const;
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 30 }), fc.stringMatching(/^[0-9.,x×"/ -]{0,14}$/)), (text) => {
        for (const unit of ['mm', 'in', 'g', 'kg'] as const) for (const read of readers) read(text, unit);
        for (const read of [readOhmCell, readSensitivityCell, readSizeCell, readHolesCell, readTerminalsCell])
          read(text);
        for (const kind of ['RMS', 'peak', 'unstated'] as const) readPowerCell(text, kind);
        kindIn(text);
        sizeIn(text);
      }),
    );
  });
});

const PLAIN = [
  [
    'Part no.',
    'Brand',
    'Model',
    'Size',
    'Cutout (in)',
    'Mounting depth from top of flange',
    'Flange thickness',
    'Flange (in)',
    'Magnet',
    'Front height',
    'Weight',
    'Imp.',
    'Power RMS',
    'Max power',
    'SPL 1W/1m',
    'Bolt circle',
    'Holes',
    'Dealer price',
  ],
];
const SHOAL = [
  'Q-1',
  'Corbreck',
  'Shoal 65 coaxial',
  '6.5"',
  '5.25',
  '62',
  '4',
  '6 1/4',
  '80',
  '8',
  '0,85',
  '4',
  '60',
  '180',
  '90',
  '150',
  '4',
  '49,00',
];

function plan(table: Table, parts: readonly PartRecord[] = [], withDoubted = false, day = '2026-11-28') {
  const guessed = guessColumns(table);
  const list = readList(table, { ...guessed, ownCurrency: 'EUR' });
  const given = { supplier: 'Quayside', parts, day };
  const offers = planOffers(list, { ...given, withDoubts: false });
  const planned = planParts(offers, {
    of: guessed.of,
    connectors: new Map(),
    ...given,
    takenIds: new Set(parts.map(({ id }) => id)),
    columns: guessed.columns,
    withDoubted,
  });
  const speakersOf = (all: readonly PartRecord[]) =>
    all.filter((part): part is SpeakerRecord => part.kind === 'speaker');
  const speakers = { ...planned, added: speakersOf(planned.added), changed: speakersOf(planned.changed) };
  return { guessed, list, offers, speakers };
}

describe('columns of speakers', () => {
  test('are known by their headings, with their units, and a depth with where it counts from', () => {
    const { guessed, list } = plan([...PLAIN, SHOAL]);
    expect(guessed.columns).toEqual([
      ...[
        'number',
        'maker',
        'name',
        'size',
        'cutout',
        'depth',
        'flangeThickness',
        'flange',
        'magnet',
        'frontHeight',
        'mass',
      ],
      ...['impedance', 'power', 'peakPower', 'sensitivity', 'boltCircle', 'holes', 'price'],
    ]);
    expect(guessed.depthDatum).toBe('top');
    // Of the mass nothing is said: 0.85 are kilograms.
    expect(list.units).toEqual([
      null,
      null,
      null,
      null,
      'in',
      'mm',
      'mm',
      'in',
      'mm',
      'mm',
      'kg',
      null,
      null,
      null,
      null,
      'mm',
      null,
      null,
    ]);
  });

  test('with units in a row of their own below the names, and in another language', () => {
    const { guessed } = plan(ABOVE);
    expect(guessed.headRows).toBe(3);
    expect(guessed.columns).toEqual([
      ...[
        'number',
        'maker',
        'name',
        'speakerKind',
        'size',
        'cutout',
        'flange',
        'flangeThickness',
        'depth',
        'frontHeight',
        'magnet',
      ],
      ...['mass', 'impedance', 'power', 'sensitivity', 'boltCircle', 'holes', 'price'],
    ]);
  });

  test('without units are read by how large they are', () => {
    const rows = (cutout: string, depth: string) => [
      ['No.', 'Model', 'Cutout', 'Depth'],
      ['1', 'A', cutout, depth],
    ];
    expect(plan(rows('5.25', '2.4')).list.units).toEqual([null, null, 'in', 'in']);
    expect(plan(rows('13,3', '6,1')).list.units).toEqual([null, null, 'cm', 'cm']);
    expect(plan(rows('133', '61')).list.units).toEqual([null, null, 'mm', 'mm']);
    expect(plan(rows('-', '')).list.units).toEqual([null, null, 'mm', 'mm']);
  });
});

describe('a new speaker', () => {
  test('has what its row says, and what it does not say is not known', () => {
    const { speakers } = plan([...PLAIN, SHOAL]);
    expect(speakers.added).toEqual([
      expect.objectContaining({
        ...{ id: 'spk-corbreck-shoal-65-coaxial', maker: 'Corbreck', name: 'Shoal 65 coaxial', speakerKind: 'coaxial' },
        ...{ nominalSize: '6.5 in', basket: { kind: 'circle', diameterMm: 133.35 }, flangeThicknessMm: 4 },
        ...{ mountingDepthMm: 62, depthDatum: 'top', magnetDiameterMm: 80, massG: 850, impedanceOhm: 4, rmsW: 60 },
        ...{
          otherRating: { watt: 180, kind: 'peak' },
          sensitivityDb: 90,
          sensitivityAt: '1 W',
          terminals: null,
          doubts: [],
        },
        offers: [expect.objectContaining({ supplier: 'Quayside', number: 'Q-1', packPriceMinor: 4900 })],
      }),
    ]);
    expect(speakers.added[0]?.listed).toMatchObject({
      supplier: 'Quayside',
      asOf: '2026-11-28',
      fields: { mountingDepthMm: 62 },
    });
    // One alone has no class.
    expect(speakers).toMatchObject({ notCompared: 1, doubted: 0, unknown: [] });
  });

  test.each<[string, number, string, string]>([
    ['no maker', 1, '', 'No maker was read'],
    ['no size, in its name neither', 3, '', 'No nominal size was read'],
    ['a kind that nobody can tell', 2, 'Shoal', 'Its kind was not read'],
    ['neither name nor number', 2, '', 'Neither a name nor a maker’s number was read'],
  ])('with %s stays out, and says what would do', (_, column, cell, words) => {
    const { speakers } = plan([...PLAIN, SHOAL.map((each, at) => (at === column ? cell : each))]);
    expect(speakers).toMatchObject({
      added: [],
      keptOut: [2],
      findings: [{ grade: 'error', line: 2, message: expect.stringContaining(words) }],
    });
  });

  test('that stands twice is one, and that is said', () => {
    const { speakers } = plan([...PLAIN, SHOAL, ['Q-2', ...SHOAL.slice(1)]]);
    expect([speakers.added.length, speakers.keptOut]).toEqual([1, [3]]);
  });

  test('that is oval has both measures, or none', () => {
    const oval = (cutout: string) =>
      plan([...PLAIN, SHOAL.map((cell, at) => (at === 3 ? '6x9' : at === 4 ? cutout : cell))]);
    expect(oval('8.6 x 6').speakers.added[0]?.basket).toEqual({ kind: 'oval', lengthMm: 218.44, widthMm: 152.4 });
    const one = oval('8.6');
    expect(one.speakers.added[0]?.basket).toBeNull();
    expect(one.list.findings.map(({ grade }) => grade)).toEqual(['note', 'note', 'note']);
    expect(one.list.findings[0]?.message).toBe(
      'One measure was read of an oval 6×9: both, such as 218 x 152, would do.',
    );
  });

  test('does not take the id of another part', () => {
    const [first] = plan([...PLAIN, SHOAL]).speakers.added as [SpeakerRecord];
    const taken = { ...first, maker: 'Corbreck', name: 'Shoal-65 coaxial, old', offers: [] };
    expect(plan([...PLAIN, SHOAL], [taken]).speakers.added[0]?.id).toBe('spk-corbreck-shoal-65-coaxial-2');
  });

  test('does not take the id of a part that cannot be read', () => {
    const { offers, guessed } = plan([...PLAIN, SHOAL]);
    const takenIds = new Set(['spk-corbreck-shoal-65-coaxial']);
    const given = { supplier: 'Quayside', parts: [], day: '2026-11-28', columns: guessed.columns, withDoubted: false };
    const { added } = planParts(offers, {
      of: guessed.of,
      connectors: new Map(),
      ...given,
      takenIds,
    });
    expect(added.map(({ id }) => id)).toEqual(['spk-corbreck-shoal-65-coaxial-2']);
  });

  test('of a price list without a word of speakers none is made', () => {
    const { offers, speakers } = plan([
      ['No.', 'Name', 'Price'],
      ['1', 'Shoal 6.5 in coaxial', '5,00'],
    ]);
    expect([offers.unknown.length, speakers.unknown.length, speakers.added.length]).toEqual([1, 1, 0]);
  });
});

describe('a speaker that is known', () => {
  const [known] = plan([...PLAIN, SHOAL]).speakers.added as [SpeakerRecord];
  const again = (changes: Partial<Record<number, string>>, part: SpeakerRecord, day?: string) =>
    plan([...PLAIN, SHOAL.map((cell, at) => changes[at] ?? cell)], [part], false, day).speakers;

  test('is as it was by the same list of another day', () => {
    expect(again({}, known, '2027-01-04')).toMatchObject({ added: [], changed: [], findings: [] });
  });

  test('has what the next list says, and with it what was not known', () => {
    const { changed } = again({ 5: '64' }, { ...known, impedanceOhm: null });
    expect(changed).toEqual([
      {
        ...known,
        mountingDepthMm: 64,
        listed: expect.objectContaining({ fields: expect.objectContaining({ mountingDepthMm: 64 }) }),
      },
    ]);
  });

  test('keeps what the shop put in the place of what a list said, and says so once', () => {
    const corrected = { ...known, mountingDepthMm: 63.2 };
    expect(again({}, corrected)).toMatchObject({ changed: [], findings: [] });
    const { changed, findings } = again({ 5: '64' }, corrected);
    expect(changed).toMatchObject([{ mountingDepthMm: 63.2, listed: { fields: { mountingDepthMm: 64 } } }]);
    expect(findings).toMatchObject([
      { grade: 'note', message: expect.stringContaining('another mounting depth than the library, which stays') },
    ]);
    expect(again({ 5: '64' }, changed[0] as SpeakerRecord)).toMatchObject({ changed: [], findings: [] });
  });
});

describe('a dirty list', () => {
  const dirty = dirtySpeakers({ rows: 1500, slips: 15, seed: 41 });
  const table = [...ABOVE, ...dirtyList(dirty, 42)];
  const lines = new Set(dirty.planted.map(({ at }) => ABOVE.length + at + 1));

  test('has its doubtful rows named at their cells, and they stay out', () => {
    const { speakers, guessed, list } = plan(table);
    // A depth of half a metre is no doubt: nobody can read it as one.
    const unreadable = list.findings.filter(({ grade }) => grade === 'error').map(({ line }) => line);
    const doubts = speakers.findings.filter(({ grade }) => grade === 'doubt');
    const named = [...unreadable, ...doubts.map(({ line }) => line)];
    expect(named.filter((line) => lines.has(line)).length).toBeGreaterThanOrEqual(14);
    expect(named.filter((line) => !lines.has(line)).length).toBeLessThanOrEqual(7);
    for (const { line, column } of doubts) {
      expect(guessed.columns[column as number]).toBeDefined();
      expect(speakers.keptOut).toContain(line);
    }
    expect(speakers.added.length + speakers.keptOut.length + unreadable.length).toBe(1500);
    expect(speakers.added.every(({ doubts: open }) => open.length === 0)).toBe(true);
  });

  test('taken in with them, each is there with its doubt, open', () => {
    const { added, keptOut, doubted } = plan(table, [], true).speakers;
    expect(keptOut).toEqual([]);
    expect(added.length).toBeGreaterThan(1480);
    const open = added.filter(({ doubts }) => doubts.length > 0);
    expect(open).toHaveLength(doubted);
    expect(open.every(({ doubts }) => doubts[0]?.settled === null)).toBe(true);
  });
});
