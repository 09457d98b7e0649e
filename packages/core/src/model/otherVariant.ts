/**
 * A variant that begins as another one of the same body: its openings with what a trim or an audio package changes set back to "not
 * looked". Which speakers, plugs and airbags a car came with is decided by what was ordered; its sheet metal is not.
 */
import { asCarried } from './asCarried';
import type { OpeningRecord } from './opening';
import type { VehicleRecord } from './vehicle';

/** What is set back, for a person to read. */
export const SET_BACK_WORDS =
  'what is fitted at each place, its plugs, airbags at its cover, and what is tried of the car';

export function openingsOfOtherVariant({ openings }: Pick<VehicleRecord, 'openings'>): readonly OpeningRecord[] {
  return openings.map((opening) => ({
    ...asCarried(opening),
    presence: 'notLooked',
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    airbag: 'notLooked',
  }));
}
