/** Which modules come in one file, from how the bundler splits the program when nobody tells it how. */
import { build, type Rolldown, type UserConfig } from 'vite';
import { type Chunk, mergedChunks } from './mergedChunks.ts';

/**
 * What a request costs beside what it brings, in bytes of script: its head, what it is not compressed together with, and its turn among the six
 * that a browser makes at once over plain http. Twice as much, or half, changes the number of files by a tenth, and no first load by 3 kB.
 */
const REQUEST_BYTES = 4000;
/** Of each screen one is opened a few times an hour; what a screen loads at a press is loaded by some of those who open it. */
const WEIGHT = { screen: 1, late: 0.1 };

/**
 * Builds once, writing nothing.
 * @returns the name of the file that a module belongs into, or null where the bundler knows best
 */
export async function fewerFiles(config: UserConfig): Promise<(moduleId: string) => string | null> {
  const built = await build({
    ...config,
    configFile: false,
    logLevel: 'error',
    build: { ...config.build, write: false },
  });
  const { output } = built as Rolldown.RolldownOutput;
  const chunks = new Map(output.flatMap((each) => (each.type === 'chunk' ? [[each.fileName, each] as const] : [])));
  const first = new Set([...chunks.values()].flatMap((each) => (each.isEntry ? [each.fileName, ...each.imports] : [])));
  const graph = [...chunks.values()].flatMap(
    ({ fileName, code, imports, isDynamicEntry, facadeModuleId }): readonly Chunk[] => {
      if (first.has(fileName)) return [];
      const weight = /Screen\.tsx$/.test(facadeModuleId ?? '') ? WEIGHT.screen : WEIGHT.late;
      return [{ name: fileName, bytes: code.length, imports, loadedBy: isDynamicEntry ? { weight } : null }];
    },
  );
  const fileOf = new Map<string, string>();
  for (const names of mergedChunks(graph, REQUEST_BYTES)) {
    const together = names.flatMap((name) => chunks.get(name) ?? []);
    const largest = together.reduce((a, b) => (b.code.length > a.code.length ? b : a));
    for (const { moduleIds } of together) for (const id of moduleIds) fileOf.set(id, largest.name);
  }
  return (moduleId) => fileOf.get(moduleId) ?? null;
}
