import { beforeEach, describe, expect, test } from '@jest/globals';
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { CatalogueChanges, CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import { packRanking } from '@low-quarry/core/fit/search/packRanking';
import { toStored } from '@low-quarry/core/records/storedRecord';
import { LARGE_RULES, largeCatalogue, largeParts, largeVehicle } from '@low-quarry/core/testing/largeCatalogue';
import { rankCandidates } from '@low-quarry/core/testing/rankCandidates';
import { BUCKETS, bucketOf } from './bucketOf';
import { Catalogue } from './Catalogue';
import { CatalogueStore, knownOf } from './CatalogueStore';
import type { CatalogueKeeping } from './KeptCatalogue';
import { RankingStore } from './RankingStore';
import { syncCatalogue } from './syncCatalogue';
import { versionOf } from './versionOf';

const EPOCH = '00000000-0000-4000-8000-000000000001';
const PARTS = largeParts({ speakers: 40, brackets: 6, seed: 2 });
const kept = (part: PartRecord) => toStored('part', part);
const at = (revision: number, epoch = EPOCH): CataloguePlace => ({ epoch, revision, id: '' });

function changes(parts: readonly PartRecord[], place: CataloguePlace, more: Partial<CatalogueChanges> = {}) {
  return {
    isWhole: false,
    parts: parts.map(kept),
    connectors: [],
    gone: [],
    toCome: 0,
    at: place,
    hasMore: false,
    ...more,
  } satisfies CatalogueChanges;
}

/** As IndexedDB keeps it: copies, some at once. */
function memoryKeeping(): CatalogueKeeping & { readonly values: Map<string, unknown>; isFull: boolean } {
  const values = new Map<string, unknown>();
  const keeping = {
    values,
    isFull: false,
    getMany: async (keys: readonly string[]) => keys.map((key) => structuredClone(values.get(key))),
    setMany: async (entries: readonly (readonly [string, unknown])[]) => {
      if (keeping.isFull) throw new DOMException('no room', 'QuotaExceededError');
      for (const [key, value] of entries) values.set(key, structuredClone(value));
    },
    clear: async () => values.clear(),
  };
  return keeping;
}

function whole(): Catalogue {
  const catalogue = new Catalogue();
  catalogue.apply(changes(PARTS, at(5), { isWhole: true }));
  return catalogue;
}

test('ids spread over the buckets, the same id into the same one', () => {
  const buckets = new Set(largeParts({ speakers: 2000, brackets: 10, seed: 1 }).map(({ id }) => bucketOf(id)));
  expect(buckets.size).toBe(BUCKETS);
  expect(bucketOf('spk-1')).toBe(bucketOf('spk-1'));
});

describe('changes', () => {
  test('a changed part replaces the one before, a gone one is there no more; both are named', () => {
    const catalogue = whole();
    const [first, second] = PARTS as [PartRecord, PartRecord];
    const named = catalogue.apply(changes([{ ...first, name: 'Another' }], at(6), { gone: [second.id] }));
    expect([...named].sort()).toEqual([first.id, second.id].sort());
    expect(catalogue.parts.get(first.id)?.name).toBe('Another');
    expect(catalogue.parts.has(second.id)).toBe(false);
    expect(catalogue.place).toEqual(at(6));
  });

  test('another catalogue takes the place of the one that was known', () => {
    const catalogue = whole();
    const other = at(1, '00000000-0000-4000-8000-000000000002');
    const [first] = PARTS as [PartRecord];
    expect(catalogue.apply(changes([first], other, { isWhole: true })).size).toBe(PARTS.length);
    expect([...catalogue.parts.keys()]).toEqual([first.id]);
  });

  test('what cannot be read is named and is no part, until it can be read again', () => {
    const catalogue = whole();
    const [first] = PARTS as [PartRecord];
    const broken = { ...kept(first), mountingDepthMm: 'deep' };
    catalogue.apply({ ...changes([], at(6)), parts: [broken, 'nonsense'] });
    expect(catalogue.parts.has(first.id)).toBe(false);
    expect(catalogue.unreadableParts()).toEqual([
      { id: first.id, why: expect.stringContaining('mountingDepthMm') },
      { id: 'a part without an id', why: expect.any(String) },
    ]);
    catalogue.apply(changes([first], at(7)));
    expect(catalogue.parts.get(first.id)).toEqual(first);
    expect(catalogue.unreadableParts().map(({ id }) => id)).not.toContain(first.id);
  });

  test('come page by page until there are no more, and it is told how far they are', async () => {
    const catalogue = new Catalogue();
    const asked: (CataloguePlace | null)[] = [];
    const told: unknown[] = [];
    const pages = [
      changes(PARTS.slice(0, 20), at(3), { isWhole: true, hasMore: true, toCome: PARTS.length - 20 }),
      changes(PARTS.slice(20), at(9)),
    ];
    const changed = await syncCatalogue(
      catalogue,
      async (after) => {
        asked.push(after);
        return pages[asked.length - 1] as CatalogueChanges;
      },
      (progress) => told.push(progress),
    );
    expect(asked).toEqual([null, at(3)]);
    expect(told).toEqual([{ come: 20, toCome: PARTS.length - 20 }]);
    expect(changed.size).toBe(PARTS.length);
    expect(catalogue.parts.size).toBe(PARTS.length);
  });
});

describe('on the device', () => {
  let keeping: ReturnType<typeof memoryKeeping>;
  let store: CatalogueStore;
  beforeEach(async () => {
    keeping = memoryKeeping();
    store = new CatalogueStore(keeping, 'program 1');
    const catalogue = whole();
    await store.write(catalogue, new Set(catalogue.parts.keys()));
  });

  test('is what it was, in the same order, and parts are found by their ids', async () => {
    expect(await store.readKnown()).toEqual(knownOf(whole()));
    const again = new Catalogue();
    expect(await store.readInto(again)).toBe(true);
    expect(again.inOrder()).toEqual(whole().inOrder());
    const ids = PARTS.slice(3, 9).map(({ id }) => id);
    const found = await store.readParts(versionOf(at(5)), ids);
    expect(found?.map(({ id }) => id).sort()).toEqual([...ids].sort());
  });

  test('parts of another version, or of which one is missing, are none', async () => {
    const [first] = PARTS as [PartRecord];
    expect(await store.readParts(versionOf(at(4)), [first.id])).toBeNull();
    expect(await store.readParts(versionOf(at(5)), [first.id, 'of nobody'])).toBeNull();
  });

  test.each([
    ['is gone', undefined],
    ['cannot be read', '[{"id":'],
  ])('where a bucket %s it is no catalogue, and what is in memory stays whole', async (_, text) => {
    const bucket = `bucket ${bucketOf((PARTS[0] as PartRecord).id)}`;
    if (text === undefined) keeping.values.delete(bucket);
    else keeping.values.set(bucket, text);
    const catalogue = whole();
    const readInto = store.readInto(catalogue).catch(() => false);
    expect(await readInto).toBe(false);
    expect(catalogue.inOrder()).toEqual(whole().inOrder());
  });

  test('only the buckets of what changed are written', async () => {
    const catalogue = whole();
    const [first] = PARTS as [PartRecord];
    const before = new Map(keeping.values);
    const changed = catalogue.apply(changes([{ ...first, name: 'Another' }], at(6)));
    await store.write(catalogue, changed);
    const written = [...keeping.values].filter(([key, value]) => value !== before.get(key)).map(([key]) => key);
    expect(written.sort()).toEqual([`bucket ${bucketOf(first.id)}`, 'head', 'listed'].sort());
    expect((await store.readParts(versionOf(at(6)), [first.id]))?.[0]?.name).toBe('Another');
  });

  test('another program reads the records anew, by its own schema', async () => {
    const next = new CatalogueStore(keeping, 'program 2');
    expect(await next.readKnown()).toBeNull();
    expect(await next.place()).toBeNull();
    const again = new Catalogue();
    expect(await next.readInto(again)).toBe(true);
    expect(await next.readKnown()).toEqual(knownOf(whole()));
  });

  test('what another program could not read is asked for again', async () => {
    const catalogue = whole();
    catalogue.unreadable.set('spk-x', 'written by a newer program');
    await store.write(catalogue, new Set(catalogue.parts.keys()));
    expect(await new CatalogueStore(keeping, 'program 2').readInto(new Catalogue())).toBe(false);
  });

  test('a device that is full keeps what it had, whole', async () => {
    keeping.isFull = true;
    const catalogue = whole();
    const changed = catalogue.apply(changes([], at(6), { gone: [(PARTS[0] as PartRecord).id] }));
    await expect(store.write(catalogue, changed)).rejects.toThrow('no room');
    expect(await store.readKnown()).toEqual(knownOf(whole()));
  });

  test('nothing is left to read when it is forgotten', async () => {
    await store.forget();
    expect(await store.readKnown()).toBeNull();
    expect(await store.readInto(new Catalogue())).toBe(false);
  });
});

describe('rankings that are kept', () => {
  const openings = largeVehicle();
  const catalogue = largeCatalogue({ speakers: 30, brackets: 5, seed: 2 });
  const rankingOf = (opening: (typeof openings)[number]) =>
    packRanking(rankCandidates(opening, catalogue, LARGE_RULES));
  const [door, other] = openings as [(typeof openings)[number], (typeof openings)[number]];
  const keyOf = (version: string, opening = door) => ({ version, opening, rules: LARGE_RULES });

  test('hold for just the opening, the rules, the catalogue and the program that they were worked out with', async () => {
    const keeping = memoryKeeping();
    const store = new RankingStore(keeping, 'program 1');
    const ranking = rankingOf(door);
    await store.keep(keyOf('v1'), ranking);
    expect(await store.read(keyOf('v1'))).toEqual(ranking);
    expect(await store.read(keyOf('v2'))).toBeNull();
    expect(await store.read(keyOf('v1', other))).toBeNull();
    expect(await store.read({ ...keyOf('v1'), rules: { ...LARGE_RULES, confidence: 0.9 } })).toBeNull();
    expect(await new RankingStore(keeping, 'program 2').read(keyOf('v1'))).toBeNull();
  });

  test('the ones that were kept longest ago go first, and each is kept once', async () => {
    const keeping = memoryKeeping();
    const store = new RankingStore(keeping, 'program 1');
    const ranking = rankingOf(door);
    await Promise.all(Array.from({ length: 30 }, (_, version) => store.keep(keyOf(`v${version}`), ranking)));
    await store.keep(keyOf('v29'), ranking);
    const found = await Promise.all(Array.from({ length: 30 }, (_, version) => store.read(keyOf(`v${version}`))));
    expect(found.map((each) => each !== null)).toEqual(Array.from({ length: 30 }, (_, version) => version >= 6));
    expect([...keeping.values.keys()].filter((key) => key.startsWith('ranking '))).toHaveLength(24);
  });
});
