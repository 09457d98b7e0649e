/** The same place on the other side of the car. */
import type { Opening } from '@low-quarry/core/contracts/openings';

export function otherSide<One extends Pick<Opening, 'id' | 'record'>>(
  { id, record }: Pick<Opening, 'id' | 'record'>,
  openings: readonly One[],
): One | null {
  if (record.side === 'centre') return null;
  return (
    openings.find(
      ({ id: each, record: { place, side, name } }) =>
        each !== id && place === record.place && name === record.name && side !== 'centre' && side !== record.side,
    ) ?? null
  );
}
