import { expect, test } from '@jest/globals';
import { offered } from '../testing/offers';
import { COST_UNKNOWN, type Offer, offersSchema, pieceCostMinor } from './offer';

const offer = (supplier: string, packSize: number, priceMinor: number | null, changes: Partial<Offer> = {}): Offer =>
  offered(packSize, priceMinor, { supplier, ...changes })[0];

test('what a piece costs is the cheapest in the shop’s currency; without one it is not known, and no sum with it is', () => {
  expect(pieceCostMinor([offer('A', 2, 901), offer('B', 1, 460), offer('C', 1, 1, { currency: 'USD' })])).toBe(451);
  expect(pieceCostMinor([offer('A', 2, null)])).toBe(COST_UNKNOWN);
  expect(pieceCostMinor([]) + 450).toBe(COST_UNKNOWN);
});

test('a number of one supplier is offered once', () => {
  const twice = [offer('Quayside', 2, 900, { number: 'Q-1' }), offer('quayside', 1, 500, { number: 'q-1' })];
  expect(offersSchema.safeParse(twice).error?.issues).toMatchObject([
    { path: [1, 'number'], message: 'quayside has this number already.' },
  ]);
  expect(offersSchema.safeParse([twice[0], { ...twice[1], number: 'Q-2' }]).success).toBe(true);
});
