/**
 * One main cable from the battery to a distributor, and a branch to each amplifier: a fuse beside the battery for the main, and one in the distributor
 * for each branch that is thinner than what the main's fuse protects.
 */
import { areasUnder, feedAmpere, feedDropV, feedFuse, MOST_DROP_V } from './feedRules';
import type { PowerFeed } from './powerFeed';

export type BranchAsked = {
  /** RMS of all channels of what it feeds; above 0. */
  readonly watt: number;
  /** From the distributor on, one way. */
  readonly lengthM: number;
};

export type PowerBranch = PowerFeed & {
  /** Whether it needs a fuse of its own: it is thinner than the main's fuse allows. */
  readonly isFused: boolean;
  /** From the battery to its end, both ways at full power of all, V. */
  readonly wholeDropV: number;
};

export type PowerTree = { readonly main: PowerFeed; readonly branches: readonly PowerBranch[] };

/**
 * Of all that keep within the voltage that may be lost, the one with the least copper.
 *
 * @param mainM from the battery to the distributor, one way
 * @param asked at least one
 * @returns null where no cable carries all of it, or one of them loses too much over its way
 */
export function powerTree(mainM: number, asked: readonly BranchAsked[]): PowerTree | null {
  const ampere = feedAmpere(asked.reduce((sum, { watt }) => sum + watt, 0));
  const fuseA = feedFuse(ampere);
  if (fuseA === null) return null;
  let best: PowerTree | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const areaMm2 of areasUnder(fuseA)) {
    const main = { ampere, areaMm2, fuseA, dropV: feedDropV(areaMm2, mainM, ampere) };
    const branches = asked.map((each) => branchOf(each, main));
    if (branches.some((branch) => branch === null)) continue;
    const tree = { main, branches: branches as PowerBranch[] };
    const copper =
      areaMm2 * mainM + tree.branches.reduce((sum, each, at) => sum + each.areaMm2 * (asked[at]?.lengthM ?? 0), 0);
    if (copper < least) [best, least] = [tree, copper];
  }
  return best;
}

function branchOf({ watt, lengthM }: BranchAsked, main: PowerFeed): PowerBranch | null {
  const ampere = feedAmpere(watt);
  const own = feedFuse(ampere);
  if (own === null) return null;
  const areaMm2 = areasUnder(own).find((area) => main.dropV + feedDropV(area, lengthM, ampere) <= MOST_DROP_V);
  if (areaMm2 === undefined) return null;
  const dropV = feedDropV(areaMm2, lengthM, ampere);
  const isFused = !areasUnder(main.fuseA).includes(areaMm2);
  return { ampere, areaMm2, fuseA: own, dropV, isFused, wholeDropV: main.dropV + dropV };
}
