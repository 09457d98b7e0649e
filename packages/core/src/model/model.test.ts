import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { partSchema, toFitCatalogue } from '../catalogue';
import { fuzzed } from '../testing/fuzzed';
import { offered } from '../testing/offers';
import { cautionsFor } from './cautions';
import { type OpeningRecord, openingRecordSchema } from './opening';
import { OPENING_DIMENSION_KEYS, OPENING_DIMENSIONS } from './openingDimensions';
import { placeLabel } from './place';
import { readMeasurement } from './readMeasurement';
import { SETTINGS_DEFAULTS, settingsSchema } from './settings';
import { SOURCE_HALF_WIDTHS_MM } from './source';
import { toFitOpening } from './toFitOpening';
import { missingDimensions, wantedDimensions } from './wantedDimensions';

const measured = (...readingsMm: number[]) => ({
  readingsMm,
  source: 'depthStick' as const,
  entered: readingsMm.join('; '),
  takenBy: null,
  takenAt: null,
});

const record: OpeningRecord = openingRecordSchema.parse({
  place: 'frontDoorLow',
  side: 'left',
  nominalSize: '6.5 in',
  holeKind: 'circle',
  bolts: { kind: 'circle', count: 3, firstAngleDeg: 90, screwDiameterMm: 4 },
  fixing: 'rivets',
  behind: 'glass',
  wiring: { kind: 'connector', connectorId: 'c' },
  secondPlug: 'none',
  dimensions: { holeDiameter: measured(150), boltCircle: measured(166), depthBehind: measured(57.5, 58, 58) },
  note: '',
});

describe('reading a measurement', () => {
  test('one or several readings, in either unit', () => {
    expect(readMeasurement('57.5; 58 ;58', 'depthBehind', 'mm')).toEqual({ ok: true, value: [57.5, 58, 58] });
    expect(readMeasurement('2 3/8"', 'depthBehind', 'mm')).toEqual({ ok: true, value: [60.325] });
    expect(readMeasurement('', 'depthBehind', 'mm')).toEqual({ ok: true, value: [] });
  });

  test.each([
    ['900', 'Depth behind: 900 mm was read; expected 8 mm to 400 mm.'],
    ['-5', 'Depth behind: −5 mm was read; expected 8 mm to 400 mm.'],
    ['60; x', 'Depth behind: "x"'],
    [';', 'holds no reading'],
    [Array(13).fill('60').join(';'), '13 readings were read; expected up to 12'],
  ])('%j is refused with what was read and what is expected', (text, says) => {
    const read = readMeasurement(text, 'depthBehind', 'mm');
    if (read.ok) throw new Error('expected a failure');
    expect(read.failure).toContain(says);
  });

  test('whatever is typed, what is accepted passes the schema of the record', () => {
    fc.assert(
      fc.property(
        fc.stringMatching(/^[0-9.,;/" incm-]{0,30}$/),
        fc.constantFrom(...OPENING_DIMENSION_KEYS),
        (text, key) => {
          const read = readMeasurement(text, key, 'mm');
          if (!read.ok || read.value.length === 0) return;
          const parsed = openingRecordSchema.safeParse({
            ...record,
            dimensions: { [key]: { ...measured(...read.value), entered: text } },
          });
          expect(parsed.success).toBe(true);
        },
      ),
      fuzzed(500),
    );
  });
});

describe('an opening', () => {
  test('asks for what its shape calls for, and knows what is missing', () => {
    expect(missingDimensions(record)).toEqual(['frontGap']);
    expect(
      wantedDimensions({
        holeKind: 'oval',
        bolts: { kind: 'rectangle', screwDiameterMm: 4 },
        fixing: 'screws',
        behind: 'nothing',
        presence: 'fitted',
        housing: null,
      }),
    ).toEqual(['holeLength', 'holeWidth', 'boltWidth', 'boltHeight', 'frontGap']);
  });

  test('becomes the shape that the checks work on', () => {
    const fit = toFitOpening(record, SOURCE_HALF_WIDTHS_MM, (id) => `plug ${id}`);
    expect(fit).toMatchObject({
      label: 'Front door, left',
      behind: 'glass',
      frontGap: null,
      wiring: { connectorName: 'plug c' },
    });
    expect(fit.depths).toEqual([expect.objectContaining({ key: 'depthBehind', xMm: 0, yMm: 0 })]);
    expect(fit.depths[0]?.depth.valueMm).toBeCloseTo(57.8333, 3);
    expect(fit.bolts?.shape).toMatchObject({ kind: 'circle', count: 3, firstAngleRad: Math.PI / 2 });
    expect(toFitOpening({ ...record, dimensions: {} }, SOURCE_HALF_WIDTHS_MM, String).bolts).toBeNull();
  });

  test('a reading at the front lies to the right in a left-hand opening and to the left in a right-hand one', () => {
    const at = (side: 'left' | 'right') =>
      toFitOpening(
        { ...record, side, dimensions: { ...record.dimensions, depthFront: measured(60) } },
        SOURCE_HALF_WIDTHS_MM,
        String,
      ).depths.find(({ key }) => key === 'depthFront');
    // 150/2 less the room of the stick
    expect(at('left')).toMatchObject({ xMm: 70, yMm: 0 });
    expect(at('right')).toMatchObject({ xMm: -70, yMm: 0 });
  });

  test('with a figure out of range is refused at its place, and every limit itself is allowed', () => {
    const wrong = openingRecordSchema.safeParse({ ...record, dimensions: { depthBehind: measured(60, 900) } });
    expect(wrong.error?.issues[0]).toMatchObject({
      path: ['dimensions', 'depthBehind', 'readingsMm', 1],
      message: expect.stringContaining('900 mm was read'),
    });
    for (const key of OPENING_DIMENSION_KEYS) {
      const { leastMm, mostMm } = OPENING_DIMENSIONS[key];
      expect(
        openingRecordSchema.safeParse({ ...record, dimensions: { [key]: measured(leastMm, mostMm) } }).success,
      ).toBe(true);
    }
  });

  test('with a field that nobody knows is refused', () => {
    expect(openingRecordSchema.safeParse({ ...record, colour: 'red' }).success).toBe(false);
  });

  test('is named by place and side', () => {
    expect(placeLabel({ place: 'dashCentre', side: 'centre' })).toBe('Dash centre');
    expect(placeLabel({ place: 'rearDeck', side: 'right' })).toBe('Rear deck, right');
  });
});

describe('cautions', () => {
  test('appear where they apply, defer to the maker and name no torque', () => {
    const all = (['frontDoorLow', 'aPillar', 'rearDeck'] as const).flatMap((place) =>
      cautionsFor({ place, fixing: 'rivets', behind: 'glass', secondPlug: 'warning', plugFaces: [], earlier: null }),
    );
    expect(all.some((each) => each.includes('Airbags'))).toBe(true);
    expect(all.some((each) => each.includes('seat-belt'))).toBe(true);
    expect(all.some((each) => each.includes('Warning sounds'))).toBe(true);
    expect(all.join(' ')).not.toMatch(/\d/);
    const plain = { place: 'kickPanel', fixing: 'screws', behind: 'metal', secondPlug: 'none', earlier: null } as const;
    expect(cautionsFor({ ...plain, plugFaces: [] })).toEqual([]);
    expect(
      cautionsFor({
        ...plain,
        plugFaces: [
          {
            ...{ rows: 1, positions: 2, empty: [] },
            pairs: [{ pins: [1, 2], colours: ['', ''], carries: 'warning', grade: 'seenHere' }],
          },
        ],
      }),
    ).toEqual([expect.stringContaining('Warning sounds must not be lost.')]);
  });
});

test('the settings a shop starts with are valid', () => {
  expect(settingsSchema.safeParse({ name: 'Shop', ...SETTINGS_DEFAULTS }).success).toBe(true);
});

test('a part keeps its rounding as the half-width of every length, and its price by the piece', () => {
  const ring = partSchema.parse({
    kind: 'spacer',
    id: 'ring',
    maker: 'M',
    name: 'Ring',
    offers: offered(2, 901),
    roundingMm: 0.3,
    inner: { kind: 'circle', diameterMm: 140 },
    outer: { kind: 'oval', lengthMm: 180, widthMm: 170 },
    heightMm: 6,
  });
  const [fit] = toFitCatalogue([ring]).spacers;
  expect(fit).toMatchObject({ name: 'M Ring', pieceCostMinor: 451, height: { valueMm: 6, origin: 'catalogue' } });
  expect(fit?.height.uncertaintyMm).toBeCloseTo(0.3 / Math.sqrt(3), 12);
});
