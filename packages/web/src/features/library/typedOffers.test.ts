import { describe, expect, test } from '@jest/globals';
import { offered } from '@low-quarry/core/testing/offers';
import { NEW_OFFER, readOffersSchema, toOffersTyped } from './typedOffers';

const read = (...offers: readonly Partial<typeof NEW_OFFER>[]) =>
  readOffersSchema.safeParse({ offers: offers.map((each) => ({ ...NEW_OFFER, supplier: 'Quayside', ...each })) });

describe('what is typed of an offer', () => {
  test('is read with its figures; what is empty is not known, a pack is one piece', () => {
    expect(
      read({ number: ' Q-1 ', packSize: '', packPriceMinor: '12,50', leadDays: '3', currency: 'usd' }).data,
    ).toEqual({
      offers: [
        {
          supplier: 'Quayside',
          number: 'Q-1',
          packSize: 1,
          packPriceMinor: 1250,
          currency: 'USD',
          leadDays: 3,
          leastPacks: 1,
          stock: null,
        },
      ],
    });
  });

  test.each<[Partial<typeof NEW_OFFER>, string, string]>([
    [{ supplier: ' ' }, 'supplier', 'Say who offers it.'],
    [{ packSize: 'two' }, 'packSize', '“two” was read. Type a whole number, such as 2.'],
    [{ packSize: '0' }, 'packSize', 'A pack has at least 1 piece.'],
    [{ packPriceMinor: '12 each' }, 'packPriceMinor', '“12 each” was read.'],
    [{ currency: 'euros' }, 'currency', 'Type three letters, such as EUR.'],
    [{ inStock: '4' }, 'stockAsOf', 'Say of which day that is.'],
  ])('%j is said at its field', (typed, field, message) => {
    const [issue] = read(typed).error?.issues ?? [];
    expect(issue?.path).toEqual(['offers', 0, field]);
    expect(issue?.message).toContain(message);
  });

  test('twice the same number of one supplier is said at the second', () => {
    expect(read({ number: 'Q-1' }, { number: 'q-1' }).error?.issues).toMatchObject([{ path: ['offers', 1, 'number'] }]);
  });
});

test('what the shop has, typed and read again, is the same', () => {
  const offers = [
    ...offered(2, 905, { number: 'Q-1', leadDays: 0, leastPacks: 3, stock: { pieces: 7, asOf: '2026-11-02' } }),
    ...offered(1, null, { supplier: 'Abroad', currency: 'USD' }),
  ];
  expect(readOffersSchema.parse(toOffersTyped(offers))).toEqual({ offers });
});
