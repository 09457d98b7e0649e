import { describe, expect, test } from '@jest/globals';
import { type PartRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import { CatalogueIndex } from '@low-quarry/core/fit/search/CatalogueIndex';
import { FitEngine } from '@low-quarry/core/fit/search/FitEngine';
import { LARGE_RULES, largeParts, largeVehicle } from '@low-quarry/core/testing/largeCatalogue';
import { rankCandidates } from '@low-quarry/core/testing/rankCandidates';
import { type CandidateFilter, NO_FILTER } from './candidateFilter';
import { listAll, listFirst } from './listed';

const records = largeParts({ speakers: 600, brackets: 120, seed: 4 });
const parts = new Map<string, PartRecord>(records.map((part) => [part.id, part]));
const catalogue = toFitCatalogue(records);
const speakerIds = catalogue.speakers.map(({ id }) => id);
const [door] = largeVehicle();
if (!door) throw new Error('expected a door');
const ranking = rankCandidates(door, catalogue, LARGE_RULES);
const engine = new FitEngine(new CatalogueIndex(catalogue), LARGE_RULES);
engine.rank(door, { figures: false });

const ids = (listed: readonly { readonly speakerId: string }[]) => listed.map(({ speakerId }) => speakerId);

describe('a first look says what the whole ranking says, as far as it goes', () => {
  test.each<[Partial<CandidateFilter>]>([
    [{}],
    [{ shown: { kind: 'verdict', verdict: 'clears' } }],
    [{ size: '6.5 in' }],
    [{ kind: 'coaxial', maker: 'Wend' }],
  ])('%j', (changes) => {
    const filter = { ...NO_FILTER, ...changes };
    const all = listAll(ranking, filter, parts);
    const first = listFirst(engine.look(9), speakerIds, filter, parts);
    if (!first) throw new Error('expected a list');
    expect(first.counts).toEqual(all.counts);
    expect(first.total).toBe(all.total);
    expect(first.stacksJudged).toBe(all.stacksJudged);
    expect(first.matching).toBeNull();
    expect(ids(first.shown)).toEqual(ids(all.shown).slice(0, first.shown.length));
    expect(first.shown.length + first.toCome).toBe(all.shown.length);
    expect(all.toCome).toBe(0);
  });

  test('there is something of every kind to be counted', () => {
    const { counts } = listAll(ranking, NO_FILTER, parts);
    expect(Math.min(counts.clears, counts.measure, counts.hits)).toBeGreaterThan(3);
  });
});

test.each<[Partial<CandidateFilter>]>([
  [{ shown: { kind: 'verdict', verdict: 'measure' } }],
  [{ shown: { kind: 'check', check: 'hole' } }],
  [{ mostMinor: 9000 }],
])('%j asks for more than a first look knows', (changes) => {
  expect(listFirst(engine.look(9), speakerIds, { ...NO_FILTER, ...changes }, parts)).toBeNull();
});

test('a verdict that nobody knows is a fault', () => {
  const look = { ...engine.look(9), verdicts: new Uint8Array(600).fill(9) };
  expect(() => listFirst(look, speakerIds, NO_FILTER, parts)).toThrow(/expected a verdict for spk-000000, got 9/);
});
