/** Two lengths of each speaker that a list finds. */
import { asKnown, figuresOf, partName } from '@low-quarry/core/catalogue';
import { MOST_POINTS, type PartPoints, type Plotted } from '@low-quarry/core/contracts/partPoints';
import { readKept } from './readRecords';

/** @param kept speakers as the JSON that is kept */
export function pointsOf(kept: readonly string[], x: Plotted, y: Plotted): PartPoints {
  const told = kept.slice(0, MOST_POINTS);
  const points = readKept(told).flatMap((part) => {
    if (part.kind !== 'speaker') return [];
    const figures = figuresOf(asKnown(part));
    const [atX, atY] = [figures[x], figures[y]];
    return atX === undefined || atY === undefined ? [] : [{ id: part.id, label: partName(part), x: atX, y: atY }];
  });
  return { points, without: told.length - points.length, more: kept.length - told.length };
}
