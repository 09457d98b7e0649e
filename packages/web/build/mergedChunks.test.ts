import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Chunk, mergedChunks } from './mergedChunks';

const shared = (name: string, bytes: number, ...imports: string[]): Chunk => ({ name, bytes, imports, loadedBy: null });
const screen = (name: string, ...imports: string[]): Chunk => ({ name, bytes: 100, imports, loadedBy: { weight: 1 } });

describe('by hand', () => {
  test('what the same screens begin with comes as one', () => {
    const chunks = [
      shared('words', 300),
      shared('money', 200),
      screen('order', 'words', 'money'),
      screen('shelf', 'money', 'words'),
    ];
    expect(mergedChunks(chunks, 1)).toEqual([['words', 'money']]);
  });

  test('what one screen alone needs is not loaded by another for less than a request is worth', () => {
    const chunks = [
      shared('words', 300),
      shared('chart', 1000),
      screen('order', 'words'),
      screen('sound', 'words', 'chart'),
    ];
    // Joined, the order loads 1,000 bytes more and the sound asks once less.
    expect(mergedChunks(chunks, 999)).toEqual([]);
    expect(mergedChunks(chunks, 1000)).toEqual([]);
    expect(mergedChunks(chunks, 1001)).toEqual([['words', 'chart']]);
  });

  test('what something begins with counts with it', () => {
    const chunks = [
      shared('engine', 5000),
      shared('rail', 10, 'engine'),
      shared('words', 10),
      screen('fit', 'rail', 'words'),
      screen('people', 'words'),
    ];
    // With the rail the people would load the engine too.
    expect(mergedChunks(chunks, 1000).flat()).not.toContain('words');
  });

  test('two with a third between them are not joined without it', () => {
    const chunks = [
      shared('top', 1, 'middle'),
      shared('middle', 100_000, 'bottom'),
      shared('bottom', 1),
      screen('one', 'top'),
      screen('two', 'bottom', 'top'),
    ];
    for (const names of mergedChunks(chunks, 10))
      expect(names.includes('top') && names.includes('bottom') && !names.includes('middle')).toBe(false);
  });
});

/** Files of which each begins with some of those before it; the last one, and others, are loaded by their address. */
const program = fc
  .record({
    files: fc.array(
      fc.record({ bytes: fc.integer({ min: 1, max: 9000 }), weight: fc.constantFrom(null, null, null, 0.1, 1) }),
      { minLength: 2, maxLength: 16 },
    ),
    picks: fc.array(fc.nat(), { minLength: 60, maxLength: 60 }),
  })
  .map(({ files, picks }) =>
    [...files, { bytes: 50, weight: 1 }].map(({ bytes, weight }, at): Chunk => {
      const before = picks.slice(at, at + 3).map((pick) => pick % (2 * at + 1));
      const imports = [...new Set(before)].filter((pick) => pick < at).map((pick) => `file-${pick}`);
      return { name: `file-${at}`, bytes, imports, loadedBy: weight === null ? null : { weight } };
    }),
  );

describe('of any program', () => {
  test('each file at most once, none that is loaded by its address, and none begins with itself', () => {
    fc.assert(
      fc.property(program, fc.integer({ min: 1, max: 20_000 }), (chunks, requestBytes) => {
        const merged = mergedChunks(chunks, requestBytes);
        const names = merged.flat();
        expect(new Set(names).size).toBe(names.length);
        const byAddress = chunks.flatMap(({ name, loadedBy }) => (loadedBy ? [name] : []));
        expect(names.filter((name) => byAddress.includes(name))).toEqual([]);
        const files = filesOf(chunks, merged);
        for (const file of new Set(files.values()))
          expect([file, [...reached(chunks, files, importsOf(chunks, files, file))].includes(file)]).toEqual([
            file,
            false,
          ]);
      }),
    );
  });

  test('no more is loaded and asked for than before, as counted anew', () => {
    fc.assert(
      fc.property(program, fc.integer({ min: 1, max: 20_000 }), (chunks, requestBytes) => {
        const merged = mergedChunks(chunks, requestBytes);
        const before = sum(chunks, filesOf(chunks, []), requestBytes);
        const after = sum(chunks, filesOf(chunks, merged), requestBytes);
        if (merged.length === 0) expect(after).toBe(before);
        else expect(after).toBeLessThan(before);
      }),
    );
  });
});

/** The file that each comes in. */
function filesOf(chunks: readonly Chunk[], merged: readonly (readonly string[])[]): ReadonlyMap<string, string> {
  return new Map(chunks.map(({ name }) => [name, merged.find((names) => names.includes(name))?.join('+') ?? name]));
}

function importsOf(chunks: readonly Chunk[], files: ReadonlyMap<string, string>, file: string): string[] {
  const imports = chunks.filter(({ name }) => files.get(name) === file).flatMap((each) => each.imports);
  return [...new Set(imports.map((name) => files.get(name) as string))].filter((each) => each !== file);
}

function reached(
  chunks: readonly Chunk[],
  files: ReadonlyMap<string, string>,
  from: readonly string[],
  seen = new Set<string>(),
): Set<string> {
  for (const file of from) {
    if (seen.has(file)) continue;
    seen.add(file);
    reached(chunks, files, importsOf(chunks, files, file), seen);
  }
  return seen;
}

function sum(chunks: readonly Chunk[], files: ReadonlyMap<string, string>, requestBytes: number): number {
  let total = 0;
  for (const { name, loadedBy } of chunks) {
    if (!loadedBy) continue;
    for (const file of reached(chunks, files, [name])) {
      const bytes = chunks.filter((each) => files.get(each.name) === file).reduce((all, each) => all + each.bytes, 0);
      total += loadedBy.weight * (bytes + requestBytes);
    }
  }
  return Number(total.toFixed(6));
}
