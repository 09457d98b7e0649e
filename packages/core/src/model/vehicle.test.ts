import { describe, expect, test } from '@jest/globals';
import { shopFileSchema } from '../formats';
import { readStored } from '../records';
import { PLAIN_OPENING } from '../testing/plainOpening';
import {
  bodyWords,
  doublePlace,
  isSameVariant,
  type Variant,
  variantSchema,
  yearsOverlap,
  yearsWords,
} from './vehicle';

const VARIANT: Variant = {
  make: 'Tollan',
  model: 'Skiff',
  years: { from: 2014, to: 2019 },
  body: 'pickup',
  cab: 'crew',
  doors: 4,
  trim: 'Base',
  audioPackage: '',
  steeringSide: 'left',
  market: '',
  aliases: [],
};

test.each([
  [{ from: 2014, to: 2019 }, '2014 to 2019'],
  [{ from: 2014, to: 2014 }, '2014'],
  [{ from: 2014, to: null }, 'from 2014'],
  [{ from: null, to: 2019 }, 'up to 2019'],
  [{ from: null, to: null }, 'years not known'],
])('years %j are “%s”', (years, words) => expect(yearsWords(years)).toBe(words));

test('a pickup is called by its cab too', () => {
  expect(bodyWords(VARIANT)).toBe('Pickup, crew cab, 4 doors');
  expect(bodyWords({ body: 'suv', cab: null, doors: 5 })).toBe('SUV, 5 doors');
});

describe('years overlap', () => {
  test.each([
    ['in one year', [2014, 2019], [2019, 2022], true],
    ['not where one ends before the other begins', [2014, 2018], [2019, 2022], false],
    ['with one that is still built', [2014, 2019], [2015, null], true],
    ['not with one that is built from later on', [2014, 2019], [2020, null], false],
    ['with one that nobody knows of', [2014, 2019], [null, null], true],
  ] as const)('%s', (_, [from, to], [otherFrom, otherTo], overlap) => {
    const [a, b] = [
      { from, to },
      { from: otherFrom, to: otherTo },
    ];
    expect([yearsOverlap(a, b), yearsOverlap(b, a)]).toEqual([overlap, overlap]);
  });
});

describe('nothing tells two apart', () => {
  test.each<[string, Partial<Variant>, boolean]>([
    ['of one that is written in other letters', { make: ' TOLLAN', trim: 'base' }, true],
    ['of one that has another name besides', { aliases: ['Dory'] }, true],
    ['but another trim', { trim: 'Top' }, false],
    ['but another audio package', { audioPackage: 'Amplifier' }, false],
    ['but the side of the wheel', { steeringSide: 'right' }, false],
    ['but the market', { market: 'Islands' }, false],
    ['but the cab', { cab: 'single' }, false],
    ['but years that do not meet', { years: { from: 2020, to: null } }, false],
  ])('%s', (_, change, same) => expect(isSameVariant(VARIANT, { ...VARIANT, ...change })).toBe(same));
});

test.each([
  ['a last year before the first', { years: { from: 2019, to: 2014 } }, ['years', 'to']],
  ['half a year', { years: { from: 2014.5, to: null } }, ['years', 'from']],
  ['no model', { model: '  ' }, ['model']],
  ['a body that is none', { body: 'hovercraft' }, ['body']],
])('%s is refused at its place', (_, change, path) => {
  expect(variantSchema.safeParse({ ...VARIANT, ...change }).error?.issues[0]?.path).toEqual(path);
});

test('a place that is there twice is named; a name of its own tells them apart', () => {
  const named = { ...PLAIN_OPENING, name: 'woofer' };
  expect(doublePlace([PLAIN_OPENING, named])).toBeNull();
  expect(doublePlace([PLAIN_OPENING, named, named])).toBe('Front door, left, woofer');
});

describe('a vehicle of the first form, with its years as a line of text', () => {
  const OLD = {
    id: 'veh',
    ...VARIANT,
    body: 'estate',
    cab: undefined,
    market: undefined,
    aliases: undefined,
    openings: [],
  };
  test.each([
    ['2014 to 2019', { from: 2014, to: 2019 }],
    ['2014-2019', { from: 2014, to: 2019 }],
    ['2016', { from: 2016, to: 2016 }],
    ['from 2016', { from: 2016, to: null }],
    ['2016 -', { from: 2016, to: null }],
  ])('“%s” is read', (years, read) => {
    expect(readStored('vehicle', { ...OLD, years })).toMatchObject({ ok: true, value: { years: read, note: '' } });
  });

  test.each(['unknown', 'second series', '2019 to 2014', '2012, 2014 and 2019'])('“%s” is kept as a note', (years) => {
    const value = { years: { from: null, to: null }, note: `Years: ${years}` };
    expect(readStored('vehicle', { ...OLD, years })).toMatchObject({ ok: true, value });
  });

  test('a shop file of an earlier program brings it in as today’s', () => {
    const [read] = shopFileSchema.shape.vehicles.parse([{ ...OLD, years: '2014 to 2019' }]);
    expect(read).toMatchObject({ years: { from: 2014, to: 2019 }, market: '', beganAs: null });
    // One of today is as it was.
    expect(shopFileSchema.shape.vehicles.parse([read])).toEqual([read]);
  });
});
