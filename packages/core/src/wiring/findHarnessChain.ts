/**
 * Finds adapters from the factory connector to the speaker's terminals without cutting a wire: fewest adapters first,
 * then the cheapest, then by name, so the answer is stable. Breadth-first by length, at most two adapters: a longer
 * chain has more joints in a wet door than any shop would accept (common practice, no source).
 */
import type { HarnessAdapter, Terminals } from './HarnessAdapter';

export const MOST_ADAPTERS = 2;

/**
 * @param connectorId the plug on the vehicle's loom
 * @returns the chain from the vehicle to the speaker, or null when there is none
 */
export function findHarnessChain(
  connectorId: string,
  terminals: Terminals,
  adapters: readonly HarnessAdapter[],
): readonly HarnessAdapter[] | null {
  let chains: readonly (readonly HarnessAdapter[])[] = startingFrom(connectorId, adapters).map((adapter) => [adapter]);
  for (let length = 1; length <= MOST_ADAPTERS && chains.length > 0; length++) {
    const complete = chains.filter((chain) => endsAt(chain, terminals)).sort(byCostThenName);
    const [best] = complete;
    if (best) return best;
    chains = chains.flatMap((chain) => extended(chain, adapters));
  }
  return null;
}

function startingFrom(connectorId: string, adapters: readonly HarnessAdapter[]) {
  return adapters.filter((adapter) => adapter.fromConnectorId === connectorId);
}

function endsAt(chain: readonly HarnessAdapter[], terminals: Terminals): boolean {
  const end = chain.at(-1)?.to;
  return end?.kind === 'terminals' && end.terminals === terminals;
}

function extended(chain: readonly HarnessAdapter[], adapters: readonly HarnessAdapter[]) {
  const end = chain.at(-1)?.to;
  if (end?.kind !== 'connector') return [];
  return startingFrom(end.connectorId, adapters)
    .filter((next) => !chain.includes(next))
    .map((next) => [...chain, next]);
}

function byCostThenName(a: readonly HarnessAdapter[], b: readonly HarnessAdapter[]): number {
  return costOf(a) - costOf(b) || namesOf(a).localeCompare(namesOf(b), 'en');
}

function costOf(chain: readonly HarnessAdapter[]): number {
  return chain.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0);
}

function namesOf(chain: readonly HarnessAdapter[]): string {
  return chain.map(({ name }) => name).join(' + ');
}
