/** What has to be seen of an opening's wires before a speaker that is put in there plays, and no warning sound is lost. */
import { placeLabel } from '../model';
import type { OpenPoint, PointOpening } from './point';
import { listed } from './words';

export function wirePoints({ id, record }: PointOpening): readonly OpenPoint[] {
  const looks = [
    ...(record.wiring.kind === 'unknown' ? ['its plug'] : []),
    ...(record.secondPlug === 'notLooked' ? ['a second plug'] : []),
  ];
  if (looks.length === 0) return [];
  return [
    {
      id: `plugs ${id}`,
      station: 'wire',
      askedAt: 'panelOff',
      words: `${placeLabel(record)}: look at ${listed(looks)}.`,
      stake: 'A lead for another plug goes back, and a second plug left off may carry the warning sounds.',
      settledAt: { kind: 'measure', openingId: id },
      isHeld: false,
    },
  ];
}
