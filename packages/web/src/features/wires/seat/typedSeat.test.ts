/** A seat as it is typed: lengths in either unit, and slips at their own fields. */
import { expect, test } from '@jest/globals';
import type { TweeterSeat } from '@low-quarry/core/model';
import { readSeatSchema, type SeatTyped, toSeatTyped } from './typedSeat';

const TYPED: SeatTyped = { seat: 'sailPanel', heldBy: 'tape', clothGap: '3,5', lookAgain: ' in a month ' };
const SEAT: TweeterSeat = { seat: 'sailPanel', heldBy: 'tape', clothGapMm: 3.5, lookAgain: 'in a month' };

test('it is read, and stands there again', () => {
  expect(readSeatSchema('mm').parse(TYPED)).toEqual(SEAT);
  expect(readSeatSchema('mm').parse(toSeatTyped(SEAT, 'mm'))).toEqual(SEAT);
  expect(readSeatSchema('in').parse({ ...TYPED, clothGap: '1/8' }).clothGapMm).toBeCloseTo(3.175, 9);
  expect(readSeatSchema('mm').parse({ ...TYPED, clothGap: ' ' }).clothGapMm).toBeNull();
  expect(toSeatTyped(null, 'mm')).toEqual({ seat: null, heldBy: null, clothGap: '', lookAgain: '' });
});

test.each<[Partial<SeatTyped>, string, RegExp]>([
  [{ seat: null }, 'seat', /^Say what it sits in/],
  [{ heldBy: null }, 'heldBy', /^Say what holds it/],
  [{ clothGap: 'near' }, 'clothGap', /"near" was not understood/],
  [{ clothGap: '3 m' }, 'clothGap', /the unit "m" is not known/],
  [{ clothGap: '200' }, 'clothGap', /^Type at most 100 mm/],
  [{ lookAgain: 'x'.repeat(81) }, 'lookAgain', /^Type at most 80 characters/],
])('%j is told at %s', (changed, field, message) => {
  const read = readSeatSchema('mm').safeParse({ ...TYPED, ...changed });
  expect(read.error?.issues.map(({ path }) => path.join('.'))).toEqual([field]);
  expect(read.error?.issues[0]?.message).toMatch(message);
});
