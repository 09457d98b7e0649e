/** What a choice names between the metal and the speaker. */
import { z } from 'zod';
import { MOST_LAYERS } from '../fit';

/** Brackets and rings from the metal to the speaker; a bracket's snap-off state is part of its id. */
export const layerIdsSchema = z.array(z.string().min(1).max(120)).max(MOST_LAYERS);

/**
 * What was kept, or waits on a device, from before rings could lie on rings: one spacer on the metal with the brackets on
 * it. Anything else is left as it is.
 */
export function withLayerIds(record: unknown): unknown {
  if (typeof record !== 'object' || record === null || !('bracketIds' in record)) return record;
  const { bracketIds, spacerId = null, ...rest } = record as { bracketIds: unknown; spacerId?: unknown };
  if (!Array.isArray(bracketIds)) return record;
  return { ...rest, layerIds: [...(spacerId === null ? [] : [spacerId]), ...bracketIds] };
}
