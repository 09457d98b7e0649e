/** What is wanted and nothing serves: a seat that no speaker reaches, bass that no door gives. It stays open, and says what could. Common practice, no source. */
import { type JobFacts, type OpeningRecord, type Place, placeLabel, type VehicleRecord } from '../model';
import { lowerFirst } from '../order';

const BEHIND_THE_FRONT_SEATS: ReadonlySet<Place> = new Set([
  'rearDoor',
  'rearDoorHigh',
  'sidePanel',
  'rearWall',
  'rearDeck',
  'overhead',
]);
const ROOM_FOR_BASS: ReadonlySet<Place> = new Set(['rearDeck', 'rearWall', 'underSeat']);
const FRONT_SEATS_ONLY: ReadonlySet<VehicleRecord['body']> = new Set(['roadster', 'smallVan', 'largeVan', 'lorry']);

type WishJob = Pick<JobFacts, 'goals' | 'later'> & { readonly vehicle: Pick<VehicleRecord, 'body' | 'cab'> };
type WishOpening = { readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name' | 'presence' | 'housing'> };

export type Unserved = { readonly id: 'rearSeats' | 'bass'; readonly words: string; readonly could: string };

/**
 * @param openings all of the car, blank panels too
 * @returns nothing for what was not wished, or is planned for later
 */
export function unservedWishes(
  { goals, later, vehicle }: WishJob,
  openings: readonly WishOpening[],
): readonly Unserved[] {
  const plans = later ?? [];
  const isSilentBehind = !openings.some(
    ({ record }) => carriesSpeaker(record) && BEHIND_THE_FRONT_SEATS.has(record.place),
  );
  const hasNoRoom = !openings.some(({ record }) => carriesSpeaker(record) && ROOM_FOR_BASS.has(record.place));
  return [
    ...(goals?.everySeat !== undefined && hasRearSeats(vehicle) && isSilentBehind && !plans.includes('rear')
      ? [
          {
            id: 'rearSeats' as const,
            words: 'All seats shall hear it, and no speaker serves the rear ones.',
            could: `${withBlanks(openings)}, or the rear speakers planned for later. Else agree with the customer that the wish is dropped.`,
          },
        ]
      : []),
    ...(goals?.bass !== undefined && hasNoRoom && !plans.includes('bass')
      ? [
          {
            id: 'bass' as const,
            words: 'More bass is wanted, and doors give little of it.',
            could:
              'What could: a bass box, planned for later, with an amplifier. Else agree with the customer that the wish is dropped.',
          },
        ]
      : []),
  ];
}

function carriesSpeaker({ presence, housing }: WishOpening['record']): boolean {
  return presence === 'fitted' || presence === 'empty' || presence === 'notLooked' || housing !== null;
}

function hasRearSeats({ body, cab }: WishJob['vehicle']): boolean {
  return cab !== 'single' && !FRONT_SEATS_ONLY.has(body);
}

function withBlanks(openings: readonly WishOpening[]): string {
  const blank = openings.find(
    ({ record: { place, presence } }) => presence === 'blank' && BEHIND_THE_FRONT_SEATS.has(place),
  );
  return blank
    ? `What could: a pod at the blank panel, ${lowerFirst(placeLabel(blank.record))}`
    : 'What could: a place of its own, added to the car';
}
