/**
 * In which order what holds a panel, and what hangs on it, comes off. What must be out before what is a graph, not a list: people write down
 * pairs, and a pair that closes a circle is named with all of it, because nobody could work by it.
 */

type Item = { readonly key: string };
type FirstThen = { readonly first: string; readonly next: string };
/** What of a panel its order follows from; null where nobody looked. */
type Ordered = {
  readonly fasteners: readonly Item[] | null;
  readonly attached: readonly Item[] | null;
  readonly order: readonly FirstThen[];
};

export type PanelOrder = {
  /** Keys in an order that keeps every pair; those of a circle and behind it are left out. */
  readonly order: readonly string[];
  /** Keys of one circle, each before the next and the last before the first; null where there is none. */
  readonly circle: readonly string[] | null;
};

/** What of it nothing says comes first stands as it was written down: fasteners, then what hangs on it. */
export function panelOrder({ fasteners, attached, order }: Ordered): PanelOrder {
  return orderOf(
    [...(fasteners ?? []), ...(attached ?? [])].map(({ key }) => key),
    order,
  );
}

/**
 * An order that keeps every pair, and otherwise the one in which they were given; pairs of which one is not among them say nothing.
 *
 * @param keys each once
 */
export function orderOf(keys: readonly string[], order: readonly FirstThen[]): PanelOrder {
  const pairs = order.filter(({ first, next }) => keys.includes(first) && keys.includes(next));
  const waitsFor = new Map(keys.map((key) => [key, pairs.filter(({ next }) => next === key).length]));
  const done: string[] = [];
  const left = new Set(keys);
  for (;;) {
    const ready = keys.find((key) => left.has(key) && waitsFor.get(key) === 0);
    if (ready === undefined) break;
    left.delete(ready);
    done.push(ready);
    for (const { first, next } of pairs) if (first === ready) waitsFor.set(next, (waitsFor.get(next) as number) - 1);
  }
  return { order: done, circle: left.size === 0 ? null : circleAmong([...left], pairs) };
}

/** Backwards from what waits to what it waits for, until something comes round again: everything that is left waits for something. */
function circleAmong(left: readonly string[], pairs: readonly FirstThen[]): readonly string[] {
  const way: string[] = [];
  let at = left[0] as string;
  while (!way.includes(at)) {
    way.push(at);
    const waiting = at;
    at = (pairs.find(({ first, next }) => next === waiting && left.includes(first)) as FirstThen).first;
  }
  return way.slice(way.indexOf(at)).reverse();
}
