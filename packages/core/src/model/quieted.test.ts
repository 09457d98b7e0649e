import { describe, expect, test } from '@jest/globals';
import { type Quieted, quietedM2, quietedSchema, quietedWords } from './quieted';
import { quietedSheets } from './quietedSheets';
import { readSpots, spotsText } from './quietedSpots';
import { quietNeeds } from './quietNeeds';

const surface = (changes: Partial<Quieted> = {}): Quieted => ({
  ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'outerSkin', material: 'butyl' },
  ...{ lengthMm: 600, widthMm: 400, thicknessMm: 2, staysOpen: 'two drains', blocked: '' },
  ...{ spots: [], sheetLengthMm: null, sheetWidthMm: null, marked: [] },
  ...changes,
});

test('is told in words: what is known, what nobody looked at, and where there is nothing', () => {
  expect(quietedWords(surface({ blocked: 'the beam' }))).toBe(
    'the outer skin, flat areas, behind door card, front left, butyl of 2 mm, 600 × 400 mm, stays open: two drains, not reached: the beam',
  );
  expect(quietedWords(surface({ lengthMm: null, thicknessMm: null, staysOpen: null }))).toBe(
    'the outer skin, flat areas, behind door card, front left, butyl, how thick is not said, not measured, nobody looked what stays open',
  );
  expect(quietedWords(surface({ staysOpen: '' }))).toContain('nothing there has to stay open');
});

test('what has to be at hand is an area for each material, with a tenth for the cuts, by hand', () => {
  expect(quietedM2(surface())).toBeCloseTo(0.24, 12);
  // 0.24 + 0.12 square metres, and a tenth: 0.396.
  const right = surface({ name: 'Right door', lengthMm: 400, widthMm: 300 });
  const felt = surface({ name: 'Card', material: 'felt', thicknessMm: null, widthMm: null });
  expect(quietNeeds([surface(), right, felt])).toEqual([
    {
      what: 'Deadening, butyl of 2 mm',
      why: 'Left door; Right door: 0.40 m² with a tenth for what is cut away; in sheets once somebody says how large they are.',
    },
    {
      what: 'Deadening, felt, how thick is not said',
      why: 'Card: 0.00 m² with a tenth for what is cut away; in sheets once somebody says how large they are. More for what nobody measured.',
    },
    {
      what: 'Degreaser and a roller',
      why: 'Left door; Right door; Card: the metal is clean and dry, and each sheet rolled down.',
    },
  ]);
  expect(quietNeeds([])).toEqual([]);
});

test.each<[string, Partial<Quieted>, string, string]>([
  ['mils read as millimetres', { thicknessMm: 50 }, '0.thicknessMm', 'Type at most 20 mm: 50 mil are 1.3 mm.'],
  ['a length in centimetres', { lengthMm: 6 }, '0.lengthMm', 'Type at least 20 mm.'],
  ['no name', { name: ' ' }, '0.name', 'Type what it is called, such as “left door, outer skin”.'],
])('%s is refused at its field', (_, changes, path, message) => {
  const [issue] = quietedSchema.safeParse([surface(changes)]).error?.issues ?? [];
  expect([issue?.path.join('.'), issue?.message]).toEqual([path, message]);
});

test('two surfaces of one name are refused', () => {
  expect(quietedSchema.safeParse([surface(), surface()]).error?.issues[0]?.message).toBe(
    'Another surface is called so: call it otherwise.',
  );
});

describe('in sheets', () => {
  const sheet = { sheetLengthMm: 500, sheetWidthMm: 370 };

  test('those of both doors are cut from the same ones: by hand', () => {
    const doors = [surface(sheet), surface({ ...sheet, name: 'Right door' })];
    const [one] = quietedSheets(doors);
    // Along it one takes a whole sheet, strips of 100 × 370 and 500 × 30 and a corner; across it 370 × 400 and 230 × 400: all on three.
    expect(one?.surfaces.map(({ pieces }) => pieces.length)).toEqual([2, 4]);
    expect(one?.packed).toMatchObject({ sheets: 3, atLeast: 3 });
    expect(quietNeeds(doors)[0]).toEqual({
      what: 'Deadening, butyl of 2 mm, sheets of 500 × 370 mm',
      why: 'Left door; Right door: 6 pieces out of them; no way needs fewer.',
      pieces: 3,
      good: { kind: 'deadeningSheet', types: ['butyl'] },
    });
  });

  test('a beam that crosses a surface is not laid, a drain is cut out and takes no sheet less', () => {
    const beam = { what: 'beam' as const, xMm: 0, yMm: 200, lengthMm: 600, widthMm: 200 };
    const drain = { what: 'drain' as const, xMm: 100, yMm: 10, lengthMm: 20, widthMm: 20 };
    const sheets = (spots: Quieted['spots']) => quietedSheets([surface({ ...sheet, spots })])[0]?.packed.sheets;
    expect([sheets([]), sheets([drain]), sheets([beam])]).toEqual([2, 2, 1]);
  });

  test('lie across where that takes fewer', () => {
    const tall = surface({ ...sheet, lengthMm: 370, widthMm: 500 });
    expect(quietedSheets([tall])[0]?.surfaces[0]?.pieces).toEqual([{ xMm: 0, yMm: 0, lengthMm: 370, widthMm: 500 }]);
  });

  test('of what nobody measured, or sold in sheets of no known size, there are none', () => {
    expect(quietedSheets([surface(), surface({ ...sheet, lengthMm: null })])).toEqual([]);
  });
});

describe('what stands on a surface', () => {
  test('is read a line each, in the trade’s units, and comes back as it was', () => {
    const read = readSpots('drain; 120; 4 cm; 20; 20\n\nBeam; 0; 200; 24 in; 40', 'mm');
    expect(read).toEqual({
      ok: true,
      value: [
        { what: 'drain', xMm: 120, yMm: 40, lengthMm: 20, widthMm: 20 },
        { what: 'beam', xMm: 0, yMm: 200, lengthMm: 609.6, widthMm: 40 },
      ],
    });
    if (read.ok) expect(readSpots(spotsText(read.value, 'mm'), 'mm')).toEqual(read);
  });

  test.each([
    ['gully; 1; 1; 1; 1', /^Line 1: “gully; 1; 1; 1; 1” was read; expected one of drain, clip/],
    ['drain; 1; 1; 1', /expected one of/],
    ['\ndrain; 1; one; 1; 1', /^Line 2: /],
    ['drain; 1; 1; 0; 1', /lies off the surface/],
    ['drain; 300 cm; 1; 1; 1', /lies off the surface/],
  ])('%s is refused with its line', (text, words) => {
    const read = readSpots(text, 'mm');
    expect(read.ok ? null : read.failure).toMatch(words);
  });
});
