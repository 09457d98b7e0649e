import { describe, expect, test } from '@jest/globals';
import { type PartRecord, speakerSchema } from '@low-quarry/core/catalogue';
import type { RankedSpeaker } from '@low-quarry/core/fit/search/Ranking';
import { offered } from '@low-quarry/core/testing/offers';
import {
  type CandidateFilter,
  filterChoices,
  NO_FILTER,
  passesFilter,
  readFilter,
  writeFilter,
} from './candidateFilter';

function throughAddress(filter: CandidateFilter): CandidateFilter {
  const search = new URLSearchParams();
  for (const [name, value] of Object.entries(writeFilter(filter))) if (value !== null) search.set(name, value);
  return readFilter(search);
}

test.each<[CandidateFilter]>([
  [NO_FILTER],
  [{ ...NO_FILTER, shown: { kind: 'verdict', verdict: 'hold' } }],
  [{ ...NO_FILTER, shown: { kind: 'check', check: 'bolts' }, size: '6.5 in', mostMinor: 4950 }],
  [{ ...NO_FILTER, shown: { kind: 'check', check: 'channel load' } }],
  [{ ...NO_FILTER, maker: 'Some & Co', kind: 'coaxial' }],
])('%j is kept in the address', (filter) => {
  expect(throughAddress(filter)).toEqual(filter);
});

test('an address nobody wrote filters nothing', () => {
  for (const text of ['', 'show=rubbish', 'show=not-rubbish&most=dear', 'most=-3'])
    expect(readFilter(new URLSearchParams(text))).toEqual(NO_FILTER);
});

describe('passing', () => {
  const speaker = speakerSchema.parse({
    kind: 'speaker',
    id: 'a',
    maker: 'Maker',
    name: 'Name',
    offers: offered(1, 5000),
    speakerKind: 'coaxial',
    nominalSize: '6.5 in',
    basket: { kind: 'circle', diameterMm: 130 },
    flange: { kind: 'circle', diameterMm: 160 },
    flangeThicknessMm: 4,
    mountingDepthMm: 60,
    depthDatum: 'underside',
    frontHeightMm: 5,
    magnetDiameterMm: 80,
    bolts: { shape: { kind: 'circle', count: 4, diameterMm: 150, firstAngleDeg: 45 }, holeDiameterMm: 5 },
    terminals: 'bare ends',
    impedanceOhm: 4,
    rmsW: 50,
    sensitivityDb: 90,
  });
  const parts = new Map<string, PartRecord>([['a', speaker]]);
  const ranked: RankedSpeaker = {
    speakerId: 'a',
    best: {
      layerIds: [],
      verdict: 'hits',
      decidedBy: 'bolts',
      addedParts: 0,
      costMinor: 5000,
      marginMm: -2,
      expandedMm: 1,
      plateMm: null,
    },
  };

  test.each<[Partial<CandidateFilter>, boolean]>([
    [{}, true],
    [{ size: '6.5 in', maker: 'Maker', kind: 'coaxial', mostMinor: 5000 }, true],
    [{ size: '4 in' }, false],
    [{ maker: 'Other' }, false],
    [{ kind: 'tweeter' }, false],
    [{ mostMinor: 4999 }, false],
    [{ shown: { kind: 'check', check: 'bolts' } }, true],
    [{ shown: { kind: 'check', check: 'hole' } }, false],
    [{ shown: { kind: 'verdict', verdict: 'clears' } }, false],
  ])('%j: %s', (filter, passes) => {
    expect(passesFilter(ranked, { ...NO_FILTER, ...filter }, parts)).toBe(passes);
  });

  test('what nobody knows the price of passes whatever price is asked for', () => {
    const unpriced = { ...ranked, best: { ...ranked.best, costMinor: Number.POSITIVE_INFINITY } };
    expect(passesFilter(unpriced, { ...NO_FILTER, mostMinor: 1 }, parts)).toBe(true);
  });

  test('what can be chosen is what the catalogue holds', () => {
    expect(filterChoices([...parts.values()])).toEqual({ sizes: ['6.5 in'], makers: ['Maker'], kinds: ['coaxial'] });
  });
});
