/** What goes out as a table comes in again as it was: the headings are the list reader's own. */
import { describe, expect, test } from '@jest/globals';
import type { PartRecord, SpeakerRecord } from '../catalogue';
import { largeParts } from '../testing/largeCatalogue';
import { offered } from '../testing/offers';
import {
  guessColumns,
  LIST_COLUMN_LABELS,
  LIST_COLUMNS,
  OUT_HEADINGS,
  partRows,
  readList,
  unreadableRow,
} from './index';

const speakers = largeParts({ speakers: 200, brackets: 1, seed: 5 }).filter(
  (part): part is SpeakerRecord => part.kind === 'speaker',
);
const [one] = speakers as [SpeakerRecord];
const cell = (part: PartRecord, heading: string) => partRows(part, 'EUR')[0]?.[OUT_HEADINGS.indexOf(heading)];

test('every heading of the list reader’s own is read as what it is', () => {
  const row = LIST_COLUMNS.map((column) => LIST_COLUMN_LABELS[column]);
  expect(guessColumns([row]).columns).toEqual(LIST_COLUMNS);
});

test('what goes out of speakers is read again as it was', () => {
  const rows = speakers.flatMap((speaker) => partRows(speaker, 'EUR'));
  const table = [OUT_HEADINGS, ...rows].map((row) => row.map((each) => String(each ?? '')));
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

describe('a row', () => {
  test('is there for each offer, and for a part that nobody offers', () => {
    const two = { ...one, offers: [...offered(2, 9900, { supplier: 'A' }), ...offered(1, 5100, { supplier: 'B' })] };
    const supplier = OUT_HEADINGS.indexOf('Supplier');
    const price = OUT_HEADINGS.indexOf('Price of a pack');
    expect(partRows(two, 'CHF').map((row) => [row[supplier], row[price]])).toEqual([
      ['A', 99],
      ['B', 51],
    ]);
    expect(partRows({ ...one, offers: [] }, 'CHF')).toHaveLength(1);
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
    const row = unreadableRow('p-1', 'no depth');
    expect(row).toHaveLength(OUT_HEADINGS.length);
    expect(row.filter((each) => each !== null)).toEqual(['p-1', 'cannot be read: no depth']);
  });
});
