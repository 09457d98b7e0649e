import type { TriedFunction } from '@low-quarry/core/model';

type Tried = Readonly<Record<string, TriedFunction>>;

/** @param tried undefined: not tried after all */
export function withTried(all: Tried, key: string, tried: TriedFunction | undefined): Tried {
  const { [key]: _, ...others } = all;
  return tried ? { ...others, [key]: tried } : others;
}
