import { describe, expect, test } from '@jest/globals';
import type { OpeningRecord } from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { unservedWishes } from './unserved';

const SALOON = { body: 'saloon', cab: null } as const;
const at = (place: OpeningRecord['place'], presence: OpeningRecord['presence'] = 'fitted') => ({
  record: { ...PLAIN_OPENING, place, presence },
});
const FRONT = at('frontDoorLow');
const idsOf = (...asked: Parameters<typeof unservedWishes>) => unservedWishes(...asked).map(({ id }) => id);

describe('a seat that no speaker serves', () => {
  const wish = { goals: { everySeat: 3 as const }, later: [], vehicle: SALOON };

  test('stays open, until something is behind the front seats or planned for there', () => {
    expect(idsOf(wish, [FRONT])).toEqual(['rearSeats']);
    expect(idsOf(wish, [FRONT, at('rearDeck')])).toEqual([]);
    expect(idsOf(wish, [FRONT, at('rearDoor', 'empty')])).toEqual([]);
    expect(idsOf({ ...wish, later: ['rear'] }, [FRONT])).toEqual([]);
    expect(idsOf({ ...wish, later: null }, [FRONT])).toEqual(['rearSeats']);
  });

  test('is not asked for where nobody wished it, or where nobody sits', () => {
    expect(idsOf({ ...wish, goals: { clearer: 3 } }, [FRONT])).toEqual([]);
    expect(idsOf({ ...wish, goals: null }, [FRONT])).toEqual([]);
    expect(idsOf({ ...wish, vehicle: { body: 'largeVan', cab: null } }, [FRONT])).toEqual([]);
    expect(idsOf({ ...wish, vehicle: { body: 'pickup', cab: 'single' } }, [FRONT])).toEqual([]);
    expect(idsOf({ ...wish, vehicle: { body: 'pickup', cab: 'crew' } }, [FRONT])).toEqual(['rearSeats']);
  });

  test('says what could: a blank panel, where there is one', () => {
    const [without] = unservedWishes(wish, [FRONT]);
    const [blank] = unservedWishes(wish, [FRONT, at('rearDoor', 'blank')]);
    expect(without?.could).toContain('a place of its own, added to the car');
    expect(blank?.could).toContain('a pod at the blank panel, rear door, left');
  });
});

test('bass is more than doors give: it stays open until there is room for it or it is planned', () => {
  const wish = { goals: { bass: 1 as const }, later: [], vehicle: SALOON };
  expect(idsOf(wish, [FRONT])).toEqual(['bass']);
  expect(idsOf(wish, [FRONT, at('underSeat')])).toEqual([]);
  expect(idsOf({ ...wish, later: ['bass'] }, [FRONT])).toEqual([]);
});
