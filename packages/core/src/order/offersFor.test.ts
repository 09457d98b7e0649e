import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Offer } from '../catalogue';
import { offered } from '../testing/offers';
import { offersFor } from './offersFor';

const offer = (supplier: string, packSize: number, priceMinor: number | null, changes: Partial<Offer> = {}): Offer =>
  offered(packSize, priceMinor, { supplier, ...changes })[0];
const order = (offers: readonly Offer[], pieces: number) =>
  offersFor(offers, pieces).map((taken) => [taken.offer.supplier, taken.packs, taken.leftOver, taken.costMinor]);

describe('which offer is taken', () => {
  // Worked by hand: 3 pieces are 2 packs of 2 at 9.00 or 3 single ones at 5.50.
  const twos = offer('Quayside', 2, 900);
  const ones = offer('Hillfoot', 1, 550);

  test('the one that costs least for so many pieces, with what is left over in it', () => {
    expect(order([twos, ones], 3)).toEqual([
      ['Hillfoot', 3, 0, 1650],
      ['Quayside', 2, 1, 1800],
    ]);
    expect(order([ones, twos], 4)).toEqual([
      ['Quayside', 2, 0, 1800],
      ['Hillfoot', 4, 0, 2200],
    ]);
  });

  test('a least order is paid for', () => {
    expect(order([offer('Quayside', 2, 900, { leastPacks: 5 }), ones], 4)[1]).toEqual(['Quayside', 5, 6, 4500]);
  });

  test('who is known to have too few comes last, whatever he asks', () => {
    const few = offer('Cheap', 1, 100, { stock: { pieces: 2, asOf: '2026-11-02' } });
    expect(order([few, ones], 3).map(([supplier]) => supplier)).toEqual(['Hillfoot', 'Cheap']);
    expect(order([few, ones], 2).map(([supplier]) => supplier)).toEqual(['Cheap', 'Hillfoot']);
  });

  test('no price and another currency come after what can be compared, and then what is here sooner', () => {
    const unpriced = offer('Asked', 1, null, { leadDays: 2 });
    const abroad = offer('Abroad', 1, 1, { currency: 'USD', leadDays: 9 });
    const slow = offer('Slow', 1, 550, { leadDays: 9 });
    const names = order([abroad, unpriced, slow, { ...ones, leadDays: 1 }], 1).map(([supplier]) => supplier);
    expect(names).toEqual(['Hillfoot', 'Slow', 'Asked', 'Abroad']);
  });
});

test('whatever is offered: enough pieces, never a pack too many beyond the least order, and every offer once', () => {
  const anOffer = fc.record({
    supplier: fc.constantFrom('A', 'B', 'C'),
    number: fc.string({ maxLength: 3 }),
    packSize: fc.integer({ min: 1, max: 12 }),
    packPriceMinor: fc.option(fc.integer({ min: 0, max: 9999 })),
    currency: fc.constantFrom(null, 'USD'),
    leadDays: fc.option(fc.integer({ min: 0, max: 30 })),
    leastPacks: fc.integer({ min: 1, max: 6 }),
    stock: fc.option(fc.record({ pieces: fc.integer({ min: 0, max: 20 }), asOf: fc.constant('2026-11-02') })),
  });
  fc.assert(
    fc.property(fc.array(anOffer, { maxLength: 6 }), fc.integer({ min: 1, max: 30 }), (offers, pieces) => {
      const found = offersFor(offers, pieces);
      expect(new Set(found.map((each) => each.offer))).toEqual(new Set(offers));
      for (const { offer: one, packs, leftOver } of found) {
        expect(packs * one.packSize - leftOver).toBe(pieces);
        expect(leftOver < one.packSize || packs === one.leastPacks).toBe(true);
      }
      const costs = found
        .filter(({ offer: { stock, currency } }) => currency === null && (stock === null || stock.pieces >= pieces))
        .map(({ costMinor }) => costMinor ?? Number.POSITIVE_INFINITY);
      expect(costs).toEqual([...costs].sort((a, b) => (a === b ? 0 : a - b)));
    }),
  );
});
