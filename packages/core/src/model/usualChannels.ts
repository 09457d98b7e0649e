/**
 * The channels that a car usually has: front and rear, left and right, and the middle of the dash by itself. What is at one side in front hangs on
 * one channel, side by side (common practice, no source). It is nobody's word: a car is looked at all the same.
 */
import { type Channel, channelSchema } from './around';
import type { OpeningRecord } from './opening';
import { type Place, placeLabel } from './place';
import { takesSpeaker } from './toFitOpening';

const FRONT: ReadonlySet<Place> = new Set([
  'frontDoorLow',
  'frontDoorHigh',
  'dashCorner',
  'sailPanel',
  'kickPanel',
  'aPillar',
]);

/** @returns only those on which something hangs */
export function usualChannels(
  openings: readonly Pick<OpeningRecord, 'place' | 'side' | 'name' | 'presence' | 'housing'>[],
): Channel[] {
  const there = openings.filter(takesSpeaker);
  const names = [...new Set(there.map(nameOf))];
  return names.map((name) =>
    channelSchema.parse({
      name,
      places: there.filter((opening) => nameOf(opening) === name).map((opening) => placeLabel(opening)),
      feeds: '',
      band: null,
      fedBy: null,
      note: '',
      grade: 'classDefault',
    }),
  );
}

function nameOf({ place, side, name }: Pick<OpeningRecord, 'place' | 'side' | 'name'>): string {
  if (side === 'centre') return placeLabel({ place, side, name }).toLowerCase();
  return `${FRONT.has(place) ? 'front' : 'rear'} ${side}`;
}
