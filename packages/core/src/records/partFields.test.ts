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

test('a doubt is told by its figure, and by how it was settled', () => {
  const doubt = { figure: 'depth', value: 6, words: 'Others have 60.', proposes: 60, chance: 0.9 } as const;
  const settled = { how: 'measured', words: 'calliper, 3 pieces', by: 'Okke', on: '2031-05-02' } as const;
  const open = { doubts: [{ ...doubt, settled: null }], listed: null };
  const after = {
    doubts: [{ ...doubt, settled }],
    listed: { supplier: 'Quayside', asOf: '2031-05-01', fields: { mountingDepthMm: 6 } },
  };
  expect(differences(open, after).map(({ label, before, after: now }) => [label, before, now])).toEqual([
    [
      'Doubted figures',
      'mounting depth 6 mm (open)',
      'mounting depth 6 mm (a piece was measured in hand: “calliper, 3 pieces”, Okke)',
    ],
    ['Last list', 'none', 'Quayside, 2031-05-01'],
  ]);
});
