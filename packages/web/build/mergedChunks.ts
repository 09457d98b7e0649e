/**
 * Which pieces of the program come as one file. A bundler splits it so that no screen loads a line it does not use: 300 files, of which most are
 * smaller than what a request costs. Joined, a screen loads a few lines more and asks a third as often.
 */

/** A file as the bundler split it. */
export type Chunk = {
  readonly name: string;
  readonly bytes: number;
  /** Names of those that it begins with; of others nothing is known, and they are loaded already. */
  readonly imports: readonly string[];
  /** Loaded by its address, when it is needed; it stays a file of its own. Null for one that others begin with. */
  readonly loadedBy: { readonly weight: number } | null;
};

type Cluster = {
  /** Loaded by its address. */
  readonly alone: boolean;
  readonly names: readonly string[];
  readonly bytes: number;
  readonly imports: Set<Cluster>;
  /** Where those stand that are loaded by their address and load it. */
  readonly entries: Set<number>;
};

/**
 * Joins, two by two, what lowers the weighted sum over all entries of bytes loaded and requests made, as long as anything does.
 * @param requestBytes what one request costs, in bytes that could have been loaded instead
 * @returns the names that come together, each at most once; never so that two files begin with each other
 */
export function mergedChunks(chunks: readonly Chunk[], requestBytes: number): readonly (readonly string[])[] {
  const weights = chunks.map(({ loadedBy }) => loadedBy?.weight ?? 0);
  let clusters = clustersOf(chunks);
  for (;;) {
    let best: readonly [number, Cluster, Cluster] | null = null;
    const below = new Map(clusters.map((each) => [each, allBelow(each)]));
    for (const [at, one] of clusters.entries()) {
      for (const other of clusters.slice(at + 1)) {
        if (one.alone || other.alone) continue;
        const cost = costOf(one, other, below, weights, requestBytes);
        if (cost < (best?.[0] ?? 0) && !wouldCircle(one, other, below)) best = [cost, one, other];
      }
    }
    if (!best) return clusters.map(({ names }) => names).filter(({ length }) => length > 1);
    clusters = joined(clusters, best[1], best[2]);
  }
}

/** One for each file. */
function clustersOf(chunks: readonly Chunk[]): Cluster[] {
  const clusters = new Map<string, Cluster>(
    chunks.map(({ name, bytes, loadedBy }) => [
      name,
      { alone: loadedBy !== null, names: [name], bytes, imports: new Set(), entries: new Set() },
    ]),
  );
  const known = (name: string) => clusters.get(name) as Cluster;
  for (const { name, imports } of chunks)
    for (const each of imports) if (clusters.has(each)) known(name).imports.add(known(each));
  for (const [at, { name, loadedBy }] of chunks.entries())
    if (loadedBy) for (const each of [known(name), ...allBelow(known(name))]) each.entries.add(at);
  return [...clusters.values()];
}

function allBelow(cluster: Cluster, seen = new Set<Cluster>()): Set<Cluster> {
  for (const each of cluster.imports) {
    if (seen.has(each)) continue;
    seen.add(each);
    allBelow(each, seen);
  }
  return seen;
}

/** What joining adds to the sum: what entries of one load of the other and of all that it begins with, less a request of each that loads both. */
function costOf(
  one: Cluster,
  other: Cluster,
  below: ReadonlyMap<Cluster, ReadonlySet<Cluster>>,
  weights: readonly number[],
  requestBytes: number,
): number {
  const weighed = (at: number) => weights[at] as number;
  let cost = 0;
  for (const at of one.entries) if (other.entries.has(at)) cost -= weighed(at) * requestBytes;
  // Nothing is saved, and what is loaded besides only adds.
  if (cost === 0) return 0;
  for (const [from, to] of [
    [one, other],
    [other, one],
  ] as const) {
    for (const at of to.entries) {
      if (from.entries.has(at)) continue;
      cost += weighed(at) * from.bytes;
      for (const each of below.get(from) ?? [])
        if (each !== to && !each.entries.has(at)) cost += weighed(at) * (each.bytes + requestBytes);
    }
  }
  return cost;
}

/** Whether something between the two would begin with what they are joined to, and that with it. */
function wouldCircle(one: Cluster, other: Cluster, below: ReadonlyMap<Cluster, ReadonlySet<Cluster>>): boolean {
  const passes = (from: Cluster, to: Cluster) =>
    [...from.imports].some((each) => each !== to && below.get(each)?.has(to));
  return passes(one, other) || passes(other, one);
}

function joined(clusters: readonly Cluster[], one: Cluster, other: Cluster): Cluster[] {
  const both: Cluster = {
    alone: false,
    names: [...one.names, ...other.names],
    bytes: one.bytes + other.bytes,
    imports: new Set([...one.imports, ...other.imports].filter((each) => each !== one && each !== other)),
    entries: new Set([...one.entries, ...other.entries]),
  };
  const rest = clusters.filter((each) => each !== one && each !== other);
  for (const { imports } of rest) {
    if (!imports.has(one) && !imports.has(other)) continue;
    imports.delete(one);
    imports.delete(other);
    imports.add(both);
  }
  for (const each of allBelow(both)) for (const at of both.entries) each.entries.add(at);
  return [...rest, both];
}
