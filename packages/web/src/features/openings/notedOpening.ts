import type { OpeningRecord } from '@low-quarry/core/model';

/** Where an opening is and what is there: what is noted of it first. */
export type NotedOpening = Pick<OpeningRecord, 'place' | 'side' | 'name' | 'presence' | 'nominalSize'>;

export const FIRST_NOTED: NotedOpening = {
  place: 'frontDoorHigh',
  side: 'left',
  name: '',
  presence: 'notLooked',
  nominalSize: '',
};
