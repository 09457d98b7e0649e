/** The same place on the other side of the car. */
import type { Opening } from '@low-quarry/core/contracts/openings';

export function otherSide<One extends Pick<Opening, 'id' | 'record'>>(
  { id, record }: Pick<Opening, 'id' | 'record'>,
  openings: readonly One[],
): One | null {
  if (record.side === 'centre') return null;
  return (
    openings.find((each) => each.id !== id && each.record.place === record.place && each.record.side !== 'centre') ??
    null
  );
}
