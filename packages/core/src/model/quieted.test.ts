import { expect, test } from '@jest/globals';
import { type Quieted, quietedM2, quietedSchema, quietedWords, quietNeeds } from './quieted';

const surface = (changes: Partial<Quieted> = {}): Quieted => ({
  ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'outerSkin', material: 'butyl' },
  ...{ lengthMm: 600, widthMm: 400, thicknessMm: 2, staysOpen: 'two drains', blocked: '' },
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
      what: 'Deadening, butyl of 2 mm, degreaser and a roller',
      why: 'Left door; Right door: 0.40 m² with a tenth for what is cut away.',
    },
    {
      what: 'Deadening, felt, how thick is not said, degreaser and a roller',
      why: 'Card: 0.00 m² with a tenth for what is cut away. More for what nobody measured.',
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
