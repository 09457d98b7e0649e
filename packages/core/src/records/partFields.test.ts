import { expect, test } from '@jest/globals';
import { offered } from '../testing/offers';
import { differencesOf } from './Field';
import { partFields } from './partFields';

const differences = (before: object, after: object) =>
  differencesOf(partFields(before, after), before as never, after as never);

test('what changed of a part is told by the trade’s words, with units', () => {
  const before = { mountingDepthMm: 60, rmsW: 50, magnetDiameterMm: 80, maker: 'Orvane' };
  expect(differences(before, { ...before, mountingDepthMm: 62, rmsW: 60 })).toEqual([
    { path: 'mountingDepthMm', label: 'Mounting depth, mm', before: '60', after: '62' },
    { path: 'rmsW', label: 'RMS power, W', before: '50', after: '60' },
  ]);
});

test('an offer is told by who offers what for how much', () => {
  const offers = [
    ...offered(2, 900, { supplier: 'Quayside', number: 'Q-1' }),
    ...offered(1, null, { currency: 'USD' }),
  ];
  expect(differences({ offers: [] }, { offers })).toEqual([
    {
      path: 'offers',
      label: 'Offers',
      before: 'nothing',
      after: 'Quayside no. Q-1: pack of 2, 9.00; Test Trade: pack of 1, no price USD',
    },
  ]);
});
