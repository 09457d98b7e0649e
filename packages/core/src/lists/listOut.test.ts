/** What goes out as a table comes in again as it was: the headings are the list reader's own. */
import { describe, expect, test } from '@jest/globals';
import brackets from '../../../../demo/brackets.json' with { type: 'json' };
import connectors from '../../../../demo/connectors.json' with { type: 'json' };
import adapters from '../../../../demo/harness-adapters.json' with { type: 'json' };
import smallParts from '../../../../demo/small-parts.json' with { type: 'json' };
import spacers from '../../../../demo/spacers.json' with { type: 'json' };
import goods from '../../../../starter/goods.json' with { type: 'json' };
import { FIGURE_SPECS, PART_KINDS, type PartRecord, partSchema, type SpeakerRecord } from '../catalogue';
import { largeParts } from '../testing/largeCatalogue';
import { offered } from '../testing/offers';
import {
  aKind,
  columnLabel,
  figureColumnsOf,
  guessColumns,
  kindNamed,
  OFFER_COLUMNS,
  outHeadings,
  partRows,
  planOffers,
  planParts,
  readList,
  SPEAKER_COLUMNS,
  unreadableRow,
} from './index';

const speakers = largeParts({ speakers: 200, brackets: 1, seed: 5 }).filter(
  (part): part is SpeakerRecord => part.kind === 'speaker',
);
const PARTS: readonly PartRecord[] = [brackets, spacers, adapters, smallParts, goods.parts].flatMap((parts) =>
  (parts as unknown[]).map((part) => partSchema.parse(part)),
);
const CONNECTORS = [...connectors, ...goods.connectors];
const OTHER_KINDS = PART_KINDS.filter((kind) => kind !== 'speaker');
const [one] = speakers as [SpeakerRecord];
const HEADINGS = outHeadings('speaker');
const cell = (part: PartRecord, heading: string) => partRows(part, 'EUR', 'speaker')[0]?.[HEADINGS.indexOf(heading)];

test('every heading of the list reader’s own is read as what it is', () => {
  const columns = [...OFFER_COLUMNS, ...SPEAKER_COLUMNS];
  const row = columns.map((column) => columnLabel('speaker', column));
  expect(guessColumns([row]).columns).toEqual(columns);
});

test.each(OTHER_KINDS)('so is every heading of %s', (kind) => {
  const columns = [...OFFER_COLUMNS, ...figureColumnsOf(kind)];
  const guessed = guessColumns([columns.map((column) => columnLabel(kind, column))], kind);
  expect(guessed.columns).toEqual(columns);
});

test('what goes out of speakers is read again as it was', () => {
  const rows = speakers.flatMap((speaker) => partRows(speaker, 'EUR', 'speaker'));
  const table = [HEADINGS, ...rows].map((row) => row.map((each) => String(each ?? '')));
  const list = readList(table, { ...guessColumns(table), ownCurrency: 'EUR' });
  expect(list.findings.filter(({ grade }) => grade === 'error')).toEqual([]);
  expect(list.rows).toHaveLength(rows.length);
  for (const [at, speaker] of speakers.entries()) {
    const read = list.rows[at];
    const { basket, flange, flangeThicknessMm, mountingDepthMm, frontHeightMm, magnetDiameterMm } = speaker;
    const { massG, impedanceOhm, rmsW, sensitivityDb, terminals, speakerKind, nominalSize } = speaker;
    expect(read?.speaker).toMatchObject({
      ...{ speakerKind, nominalSize },
      fields: {
        ...{ basket, flange, flangeThicknessMm, mountingDepthMm, frontHeightMm, magnetDiameterMm },
        ...{ massG, impedanceOhm, rmsW, sensitivityDb, terminals },
      },
    });
  }
});

describe.each(OTHER_KINDS)('what goes out of %s', (kind) => {
  const parts = PARTS.filter((part) => part.kind === kind);
  const headings = outHeadings(kind);
  const rows = parts.flatMap((part) => partRows({ ...part, offers: [] }, 'EUR', kind));
  const table = [headings, ...rows].map((row) => row.map((each) => String(each ?? '')));
  const guessed = guessColumns(table);
  const given = { supplier: 'Quayside', day: '2031-05-01', columns: guessed.columns, of: kind, withDoubted: false };
  const connectors = new Map(CONNECTORS.map(({ id }) => [id.toLowerCase(), id]));
  const read = (known: readonly PartRecord[]) => {
    const list = readList(table, { ...guessed, ownCurrency: 'EUR' });
    const offers = planOffers(list, { ...given, parts: known, withDoubts: false });
    const takenIds = new Set(known.map(({ id }) => id));
    return { list, ...planParts(offers, { ...given, parts: known, takenIds, connectors }) };
  };

  test('is known as a list of them', () => {
    expect(parts.length).toBeGreaterThan(0);
    expect(guessed.of).toBe(kind);
  });

  test('makes the same parts where nobody has them', () => {
    const { added, findings, list } = read([]);
    expect([...list.findings, ...findings].filter(({ grade }) => grade !== 'note')).toEqual([]);
    const isAsked = FIGURE_SPECS[kind].some(({ key }) => key === 'roundingMm');
    const own = { id: '', listed: null, offers: [], ...(isAsked ? {} : { roundingMm: 0.5 }) };
    const bare = (part: PartRecord) => ({ ...part, ...own });
    const known = (part: PartRecord) => ({
      ...bare(part),
      ...{ aliases: [], claims: [], replacedBy: null, isDiscontinued: false },
    });
    expect(added.map(bare)).toEqual(parts.map(known));
  });

  test('changes nothing where they are', () => {
    const once = read(parts);
    expect(once).toMatchObject({ added: [], unknown: [], findings: [] });
    const plain = (part: PartRecord) => ({ ...part, listed: null });
    const changed = new Map(once.changed.map((part) => [part.id, part]));
    expect(once.changed.map(plain)).toEqual(parts.filter(({ id }) => changed.has(id)).map(plain));
    // What the list said is noted; the same list says nothing new.
    expect(read(parts.map((part) => changed.get(part.id) ?? part))).toMatchObject({ added: [], changed: [] });
  });
});

test('a kind is called with its article', () => {
  expect((['bracket', 'amplifier'] as const).map(aKind)).toEqual(['a bracket', 'an amplifier']);
});

test('a kind is known by its name, in the plural too, and by nothing else', () => {
  expect(['Brackets', 'bass box', 'Bass boxes', 'bracketry', ''].map(kindNamed)).toEqual([
    ...['bracket', 'bassBox', 'bassBox', null, null],
  ]);
});

describe('a row', () => {
  test('is there for each offer, and for a part that nobody offers', () => {
    const two = { ...one, offers: [...offered(2, 9900, { supplier: 'A' }), ...offered(1, 5100, { supplier: 'B' })] };
    const supplier = HEADINGS.indexOf('Supplier');
    const price = HEADINGS.indexOf('Price of a pack');
    expect(partRows(two, 'CHF', 'speaker').map((row) => [row[supplier], row[price]])).toEqual([
      ['A', 99],
      ['B', 51],
    ]);
    expect(partRows({ ...one, offers: [] }, 'CHF', 'speaker')).toHaveLength(1);
  });

  test('leaves empty what nobody wrote down, and says what that leaves open', () => {
    const lacking = { ...one, mountingDepthMm: null, bolts: null };
    expect(cell(lacking, 'Mounting depth, mm')).toBeNull();
    expect(cell(lacking, 'Counts from')).toBeNull();
    expect(cell(lacking, 'What is open')).toBe('nobody wrote down: mounting depth, screw holes');
  });

  test('says in words what the part is, and where its depth counts from', () => {
    const known = { ...one, mountingDepthMm: 61, basket: { kind: 'circle' as const, diameterMm: 129 } };
    const words = (depthDatum: SpeakerRecord['depthDatum']) => cell({ ...known, depthDatum }, 'In words');
    expect(words('underside')).toContain(`${one.nominalSize}, cutout 129 mm, 61 mm deep, `);
    expect(words('top')).toContain('61 mm deep from the top of its flange, ');
    expect(cell({ ...known, mountingDepthMm: null, basket: null }, 'In words')).toContain(
      'cutout not stated, depth not stated',
    );
  });

  test('says which figure is doubted', () => {
    const depth = one.mountingDepthMm as number;
    const doubt = { figure: 'depth', value: depth, words: 'Deep.', proposes: null, chance: 0, settled: null } as const;
    expect(cell({ ...one, doubts: [doubt] }, 'What is open')).toBe('doubted: mounting depth');
  });

  test('has both measures of an oval, and a rating by its kind', () => {
    const oval = { ...one, basket: { kind: 'oval' as const, lengthMm: 218, widthMm: 152 } };
    expect(cell(oval, 'Cutout, mm')).toBe('218 x 152');
    const peak = { ...one, otherRating: { watt: 240, kind: 'peak' as const } };
    expect([cell(peak, 'Power, peak, W'), cell(peak, 'Power of an unstated kind, W')]).toEqual([240, null]);
  });

  test('of what cannot be read says so', () => {
    const row = unreadableRow('p-1', 'no depth', 'speaker');
    expect(row).toHaveLength(HEADINGS.length);
    expect(row.filter((each) => each !== null)).toEqual(['p-1', 'cannot be read: no depth']);
  });
});
