/** What has to be seen, or decided, of an opening's wires before a speaker that is put in there plays, and no warning sound is lost. */

import { listed } from '../listed';
import { besidesAt, placeLabel } from '../model';
import type { OpenPoint, PointOpening } from './point';

export function wirePoints(opening: PointOpening): readonly OpenPoint[] {
  const { id, record } = opening;
  const looks = [
    ...(record.wiring.kind === 'unknown' ? ['its plug'] : []),
    ...(record.wiring.kind === 'tapedBack' ? ['what is on its wires, which are taped back'] : []),
    ...(record.secondPlug === 'notLooked' ? ['a second plug'] : []),
  ];
  const label = placeLabel(record);
  const look: OpenPoint = {
    id: `plugs ${id}`,
    station: 'wire',
    askedAt: 'panelOff',
    words: `${label}: look at ${listed(looks)}.`,
    stake: 'A lead for another plug goes back, and a second plug left off may carry the warning sounds.',
    settledAt: { kind: 'measure', openingId: id },
    isHeld: false,
  };
  const decide: OpenPoint = {
    id: `secondPlug ${id}`,
    station: 'wire',
    askedAt: null,
    words: `${label}: decide how what comes through ${listed(foundAt(opening.record).map(({ through }) => through))} goes on.`,
    stake: 'Left off with the old speaker it is gone: warning sounds, or another speaker behind this one.',
    settledAt: { kind: 'match', openingId: id },
    isHeld: true,
  };
  return [...(looks.length > 0 ? [look] : []), ...(isMoreUndecided(opening) ? [decide] : [])];
}

/** Whether its plugs carry more than this speaker's own sound, and nobody has decided yet how that goes on. */
export function isMoreUndecided({
  record,
  state,
}: Pick<PointOpening, 'state'> & {
  readonly record: Pick<PointOpening['record'], 'secondPlug' | 'plugFaces'>;
}): boolean {
  if (foundAt(record).length === 0) return false;
  if (state.kind !== 'chosen') return true;
  return state.open.some(({ check, answer }) => check === 'chime' && answer === null);
}

/** A plug that nobody looked for is asked for by itself. */
function foundAt(record: Pick<PointOpening['record'], 'secondPlug' | 'plugFaces'>) {
  return besidesAt(record).filter(({ what }) => what !== 'notLooked');
}
