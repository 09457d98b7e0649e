import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type LotTyped, readLotSchema, toLotTyped } from './typedLot';

const typed = (change: Partial<LotTyped>) => readLotSchema.safeParse({ place: 'A3', pieces: '4', from: '', ...change });
const wrong = (change: Partial<LotTyped>) =>
  typed(change).error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);

test('what was not counted is asked about, and never taken for none', () => {
  expect(wrong({ pieces: ' ' })).toEqual(['pieces: Count them, and type how many there are.']);
  expect(typed({ pieces: '0' }).data).toEqual({ place: 'A3', pieces: 0, from: '' });
});

test.each([
  ['half a piece', { pieces: '1.5' }, 'pieces: “1.5” was read. Type a whole number, such as 2.'],
  ['fewer than none', { pieces: '-2' }, 'pieces: “-2” was read. Type a whole number, such as 2.'],
  ['a truckload', { pieces: '100001' }, 'pieces: Type at most 100000 pieces.'],
  ['no place', { place: '  ' }, 'place: Say where it lies, such as A3.'],
])('%s is refused at its field', (_, change, says) => {
  expect(wrong(change)).toEqual([says]);
});

test('what is read is typed as it was', () => {
  fc.assert(
    fc.property(
      fc.nat(100_000),
      fc.stringMatching(/^[A-Z]\d{1,3}$/),
      fc.stringMatching(/^\w{0,20}$/),
      (pieces, place, from) => {
        expect(readLotSchema.parse(toLotTyped({ pieces, place, from }))).toEqual({ pieces, place, from });
      },
    ),
  );
});
