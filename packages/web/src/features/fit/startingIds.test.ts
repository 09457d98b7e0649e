import { describe, expect, test } from '@jest/globals';
import { type ListedPart, toListedPart } from '@low-quarry/core/catalogue';
import type { Choice } from '@low-quarry/core/contracts/openings';
import { LARGE_RULES, largeCatalogue, largeParts, largeVehicle } from '@low-quarry/core/testing/largeCatalogue';
import { rankCandidates } from '@low-quarry/core/testing/rankCandidates';
import { startingIds } from './startingIds';

const SIZE = { speakers: 20, brackets: 6, seed: 3 };
const PARTS = largeParts(SIZE);
const listed = new Map<string, ListedPart>(PARTS.map((part) => [part.id, toListedPart(part)]));
const [door] = largeVehicle();
const ranking = rankCandidates(door as NonNullable<typeof door>, largeCatalogue(SIZE), LARGE_RULES);
const [best, second] = ranking.speakers as [(typeof ranking.speakers)[number], (typeof ranking.speakers)[number]];
const idOf = (kind: ListedPart['kind']) => (PARTS.find((part) => part.kind === kind) as { readonly id: string }).id;
const bracket = idOf('bracket');
const ring = `ring-${LARGE_RULES.stock[0]?.thicknessMm}`;

const choiceOf = (speakerId: string, layerIds: string[]): { choice: Choice } => ({
  choice: {
    speakerId,
    layerIds,
    works: [],
    answers: [],
    earlierReason: null,
    chosenAt: '2026-03-02T10:00:00Z',
    version: 1,
  },
});
const NONE = { choice: null };
const start = (address: string, opening: { choice: Choice | null } = NONE, ranked: typeof ranking | null = ranking) =>
  startingIds(new URLSearchParams(address), opening, ranked?.speakers ?? [], listed, LARGE_RULES);

describe('which candidate is shown first', () => {
  test('the one that the address names, also before there is a ranking', () => {
    const named = { speakerId: second.speakerId, layerIds: [ring, bracket], works: [] };
    const address = `speaker=${second.speakerId}&stack=${ring}+${bracket}`;
    expect(start(address)).toEqual(named);
    expect(start(address, choiceOf(best.speakerId, []), null)).toEqual(named);
    expect(start(`speaker=${second.speakerId}&stack=`)?.layerIds).toEqual([]);
  });

  test('of a speaker without a stack, or with one that is not there, its best', () => {
    const own = { speakerId: second.speakerId, layerIds: second.best.layerIds, works: [] };
    for (const stack of ['', '&stack=brk-of-nobody', '&stack=ring-77', `&stack=${Array(9).fill(ring).join('+')}`])
      expect(start(`speaker=${second.speakerId}${stack}`)).toEqual(own);
    expect(start(`speaker=${second.speakerId}`, NONE, null)).toBeNull();
  });

  test('else the chosen one, without a ranking too; what is gone of its layers is passed over', () => {
    const opening = choiceOf(second.speakerId, [bracket, 'brk-of-nobody', ring]);
    for (const ranked of [ranking, null])
      expect(start('', opening, ranked)).toEqual({ speakerId: second.speakerId, layerIds: [bracket, ring], works: [] });
  });

  test('else the best, once it is known: an address or a choice that names a speaker that is gone is none', () => {
    const first = { speakerId: best.speakerId, layerIds: best.best.layerIds, works: [] };
    expect(start('')).toEqual(first);
    expect(start('speaker=spk-of-nobody')).toEqual(first);
    expect(start(`speaker=${bracket}`)).toEqual(first);
    expect(start('', choiceOf('spk-of-nobody', []))).toEqual(first);
    expect(start('', NONE, null)).toBeNull();
  });
});
