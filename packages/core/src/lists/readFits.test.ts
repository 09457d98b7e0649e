import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FitsReader, type FitsVehicle } from './readFits';

const car = (id: string, changes: Partial<FitsVehicle>): FitsVehicle => ({
  id,
  ...{ make: 'Tollan', model: 'Skiff', aliases: [], years: { from: 2014, to: 2019 }, body: 'estate', cab: null },
  ...{ trim: 'Base', audioPackage: '', market: '' },
  ...changes,
});
const reader = new FitsReader([
  car('base', {}),
  car('top', { trim: 'Top line', audioPackage: 'Loud' }),
  car('later', { years: { from: 2020, to: null } }),
  car('long', { model: 'Skiff Long', body: 'largeVan' }),
  car('dory', { make: 'Orvane', model: 'Dory', aliases: ['Punt'], years: { from: 1996, to: 2003 } }),
]);
const all = ['base', 'top', 'later'];

describe('a car that is known', () => {
  test.each<[string, readonly string[], string | null]>([
    ['Tollan Skiff', all, null],
    ['TOLLAN SKIFF, 2014-2019', ['base', 'top'], null],
    ['Tollan Skiff 14-19', ['base', 'top'], null],
    ['Tollan Skiff 2019', ['base', 'top'], null],
    ['Tollan Skiff 2019 bis 2021', all, null],
    ['Tollan Skiff 20>', ['later'], null],
    ['Tollan Skiff from 2021 on', ['later'], null],
    ['Tollan Skiff up to 2016', ['base', 'top'], null],
    ['Tollan Skiff -2016', ['base', 'top'], null],
    ['Tollan Skiff, front door', all, 'frontDoorLow'],
    ['Tollan Skiff Front Doors 2016', ['base', 'top'], 'frontDoorLow'],
    ['Tollan Skiff top line, rear door', ['top'], 'rearDoor'],
    ['Tollan Skiff Top Line Loud', ['top'], null],
    ['Tollan Skiff estate', all, null],
    ['Tollan Skiff Long', ['long'], null],
    ['Skiff', all, null],
    ['Orvane Punt 97-01', ['dory'], null],
    ['Orvane Dory 1996-2003, rear deck', ['dory'], 'rearDeck'],
  ])('%s', (text, vehicleIds, place) => {
    expect(reader.read(text)).toEqual([{ kind: 'known', vehicleIds, place }]);
  });
});

test('a car of other years, or that nobody has, is elsewhere', () => {
  expect(reader.read('Tollan Skiff 2009-2012; Marl Barge; Tollan')).toEqual([
    { kind: 'elsewhere' },
    { kind: 'elsewhere' },
    { kind: 'elsewhere' },
  ]);
});

test('what stands behind it and is not understood leaves open of which variant it is said', () => {
  expect(reader.read('Tollan Skiff with sunroof')).toEqual([{ kind: 'unread', words: 'Tollan Skiff with sunroof' }]);
});

test('several cars stand apart by semicolons, strokes or lines', () => {
  expect(
    reader.read('Tollan Skiff 2020>; Orvane Dory | Marl Barge\nTollan Skiff Long').map(({ kind }) => kind),
  ).toEqual([...['known', 'known', 'elsewhere', 'known']]);
});

test('whatever stands in a cell is read, and no variant is named that is none', () => {
  const words = fc.constantFrom(
    'Tollan',
    'Skiff',
    'Orvane',
    '14-19',
    '2020>',
    'front',
    'door',
    ',',
    ';',
    '-',
    '20',
    'Top line',
  );
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.array(words).map((each) => each.join(' ')),
      ),
      (text) => {
        for (const fit of reader.read(text))
          if (fit.kind === 'known')
            expect([...all, 'long', 'dory']).toEqual(expect.arrayContaining([...fit.vehicleIds]));
      },
    ),
  );
});
