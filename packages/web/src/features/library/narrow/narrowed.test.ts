import { beforeEach, expect, test } from '@jest/globals';
import { installLocalStorage } from '../../../device/testing';
import { askedOf, keepColumns, narrows, readNarrowed } from './narrowed';

beforeEach(() => {
  installLocalStorage();
});
const read = (search: string) => readNarrowed(new URLSearchParams(search));

test('what an address asks for is what the shop is asked', () => {
  const narrowed = read(
    'within=depth:40-63&size=6.5+in&speakerKind=coaxial&made=still&by=depth&order=down&open=lacking',
  );
  expect(askedOf(narrowed)).toEqual({
    ...{ within: 'depth:40-63', size: '6.5 in', speakerKind: 'coaxial', made: 'still' },
    ...{ by: 'depth', order: 'down', open: 'lacking' },
  });
  expect(narrows(narrowed)).toBe(true);
});

test('what is none of what it may be is as if nothing stood there', () => {
  const narrowed = read(
    'within=girth:1-2&size=9+in&speakerKind=loud&made=no&by=girth&order=sideways&open=x&columns=girth',
  );
  expect(askedOf(narrowed)).toEqual({});
  expect(narrowed.columns).toEqual([]);
  expect(narrows(narrowed)).toBe(false);
});

test('columns are those of the address, and where it names none those of last time', () => {
  expect(keepColumns(['cutout', 'depth'])).toBe('cutout,depth');
  expect(read('').columns).toEqual(['cutout', 'depth']);
  expect(read('columns=power').columns).toEqual(['power']);
  expect(read('columns=').columns).toEqual([]);
});
